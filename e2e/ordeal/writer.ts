import { randomUUID } from 'node:crypto';
import type { Plan } from '@glimmer/core/plan';
import { readPlanText } from '@glimmer/core/plan/reading';
import { count } from './count.ts';
import { pause } from './random.ts';

/** Writes one plan again and again, as a browser does: each save with an id of its own, repeated until it is answered. */
export class Writer {
  private revision = 0;
  /** What the server has confirmed last. */
  private confirmed = '';
  private readonly plan: Plan;

  constructor(
    private readonly address: () => string,
    text: string,
  ) {
    const read = readPlanText(text);
    if (!read.ok) throw new Error('A demo plan can’t be read');
    this.plan = { ...read.plan, id: randomUUID() };
  }

  /** Asks until there is a whole answer: whatever breaks off on its way is asked again. */
  private async ask(
    path: string,
    options: RequestInit = {},
  ): Promise<{ readonly status: number; readonly body: unknown }> {
    for (;;) {
      try {
        const answer = await fetch(`${this.address()}/api/plans${path}`, {
          ...options,
          headers: { 'Content-Type': 'application/json', ...options.headers },
        });
        const body: unknown = await answer.json();
        if (answer.status < 500) return { status: answer.status, body };
      } catch {
        // Away: asked again until it is back.
      }
      await pause(50);
    }
  }

  async begin(): Promise<void> {
    const added = await this.ask('', { method: 'POST', body: JSON.stringify(this.plan) });
    // Its answer may have been lost, and the plan be there.
    if (added.status !== 201 && added.status !== 409) throw new Error(`A plan was not added: ${added.status}`);
    this.revision = 1;
    this.confirmed = this.plan.name;
  }

  async save(): Promise<void> {
    const name = `save ${count.saves}`;
    const answer = await this.ask(`/${this.plan.id}`, {
      method: 'PUT',
      headers: { 'If-Match': `"${this.revision}"`, 'Save-Id': randomUUID() },
      body: JSON.stringify({ ...this.plan, name }),
    });
    if (answer.status !== 200) {
      count.unexpected += 1;
      console.error(`A save was refused: ${answer.status} ${JSON.stringify(answer.body).slice(0, 300)}`);
      return;
    }
    this.revision = (answer.body as { revision: number }).revision;
    this.confirmed = name;
    count.saves += 1;
  }

  /** Whether the server still has what it confirmed. */
  async check(): Promise<void> {
    const kept = (await this.ask(`/${this.plan.id}`)).body as { plan: Plan; revision: number };
    if (kept.plan.name === this.confirmed && kept.revision === this.revision) return;
    count.lost += 1;
    console.error(
      `Lost: ${this.confirmed} (revision ${this.revision}); the server has ${kept.plan.name}, ${kept.revision}`,
    );
  }
}
