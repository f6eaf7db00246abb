import { expect, type Locator, type Page } from '@playwright/test';

/** Does what a person does and counts it: a tap, a key chord and a typed name are one action each. */
export class Hands {
  count = 0;

  constructor(private page: Page) {}

  async tap(target: Locator): Promise<void> {
    this.count += 1;
    await target.click();
  }

  async press(chord: string): Promise<void> {
    this.count += 1;
    await this.page.keyboard.press(chord);
  }

  async type(words: string): Promise<void> {
    this.count += 1;
    await this.page.keyboard.type(words);
  }

  /** Says what a job cost and holds it to what is allowed. */
  atMost(job: string, allowed: number): void {
    process.stdout.write(`hand-work: ${job}: ${this.count} (at most ${allowed})\n`);
    expect(this.count).toBeLessThanOrEqual(allowed);
  }
}
