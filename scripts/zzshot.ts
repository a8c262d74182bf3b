import { readFileSync } from 'node:fs';
import { chromium } from '@playwright/test';

const address = readFileSync('/tmp/look/address', 'utf8');
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
page.on('pageerror', (e) => console.log('ERR', e.message));
page.on('console', (m) => m.type() === 'error' && console.log('CON', m.text()));
const [path, lamp, name, ...acts] = process.argv.slice(2);
await page.addInitScript((l) => localStorage.setItem('lamp', l as string), lamp);
await page.goto(`${address}${path}`);
await page.evaluate(() => document.fonts.ready);
await page.waitForTimeout(1200);
for (const act of acts) {
  await new Function('page', `return (async () => { ${act} })()`)(page);
  await page.waitForTimeout(500);
}
await page.screenshot({ path: `/tmp/look/${name}.png` });
await browser.close();
