import { copyDemo, expect, type Page, REEF, test } from './bench.ts';

const log = (page: Page) => page.getByRole('log', { name: 'What the board says' });

/** A port of the browser's serial interface that is opened at a speed and says these pieces, one after another. */
async function plugIn(page: Page, pieces: readonly string[], end: 'stays' | 'pulled' | 'busy'): Promise<void> {
  await page.addInitScript(
    ([said, how]) => {
      const opened: number[] = [];
      const port = {
        readable: null as ReadableStream<Uint8Array> | null,
        async open({ baudRate }: { baudRate: number }) {
          if (how === 'busy') throw new Error('Failed to open serial port.');
          opened.push(baudRate);
          port.readable = new ReadableStream<Uint8Array>({
            start(controller) {
              for (const piece of said) controller.enqueue(new TextEncoder().encode(piece));
              if (how === 'pulled') controller.error(new Error('The device has been lost.'));
            },
          });
        },
        async close() {
          port.readable = null;
        },
      };
      Object.assign(window, { openedAt: opened });
      Object.defineProperty(navigator, 'serial', { value: { requestPort: async () => port }, configurable: true });
    },
    [pieces, end] as const,
  );
}

test('a board on its cable: what comes in pieces is read line by line, and another plan’s mark is told', async ({
  page,
}) => {
  await plugIn(
    page,
    ['pla', 'n 0badf00d\r\nmood Night', ' reef\r\n', 'light held to 72 %\r\ncharge 63 %\r\n', '\u0000??\r\n'],
    'stays',
  );
  await page.goto(`/plan/${await copyDemo(page, REEF)}/bench`);
  await page.getByRole('button', { name: 'Listen to the board' }).click();
  await expect(page.getByText('It holds mark 0badf00d; this plan has')).toBeVisible();
  await expect(page.getByText('held to 72 %', { exact: true })).toBeVisible();
  await expect(page.getByText('63 %', { exact: true })).toBeVisible();
  await expect(log(page)).toContainText('mood Night reef');
  // As fast as the board file of its controller talks.
  expect(await page.evaluate(() => (window as unknown as { openedAt: number[] }).openedAt)).toEqual([115_200]);
  await page.getByRole('button', { name: 'Leave it' }).click();
  await expect(page.getByRole('button', { name: 'Listen to the board' })).toBeVisible();
});

test('a cable that is pulled and a port that is held say so, and the way on', async ({ page }) => {
  await plugIn(page, ['plan 0badf00d\r\n'], 'pulled');
  const plan = `/plan/${await copyDemo(page, REEF)}/bench`;
  await page.goto(plan);
  await page.getByRole('button', { name: 'Listen to the board' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'can’t be heard' })).toContainText('plug it in again');
  await plugIn(page, [], 'busy');
  await page.goto(plan);
  await page.getByRole('button', { name: 'Listen to the board' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'can’t be heard' })).toContainText(
    'another program holds its port',
  );
  await expect(page.getByRole('button', { name: 'Listen to the board' })).toBeEnabled();
});

test('the stand-in holds this very plan, and says what the hands on the controls bring about', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'no-preference' });
  await page.goto(`/plan/${await copyDemo(page, REEF)}/bench`);
  await page.getByRole('button', { name: 'Listen to a stand-in' }).click();
  await expect(page.getByText(/It holds this plan as it stands, mark [0-9a-f]{8}/)).toBeVisible();
  await expect(log(page)).toContainText('mood Night reef');
  await expect(log(page)).toContainText(/charge \d+ %/);
  const hands = page.getByRole('group', { name: 'Virtual hands' });
  await hands.getByRole('button', { name: 'Lid' }).click();
  await expect(log(page)).toContainText('mood Offering');
  await hands.getByLabel('Charge').fill('0.2');
  await expect(log(page)).toContainText(/charge [0-4]?\d %\n?$/);
});
