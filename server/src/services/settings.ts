import type { Database } from '../database/database';

/** What a person has set, by key; each value is JSON that the routes have checked. */
export class Settings {
  constructor(private database: Database) {}

  all(ownerId: string): Record<string, unknown> {
    const rows = this.database.all<{ key: string; value: string }>(
      'SELECT key, value FROM settings WHERE ownerId = ?',
      ownerId,
    );
    return Object.fromEntries(rows.map((row) => [row.key, JSON.parse(row.value) as unknown]));
  }

  async set(ownerId: string, key: string, value: unknown): Promise<void> {
    await this.database.write(() => {
      this.database.writer
        .prepare('INSERT OR REPLACE INTO settings (ownerId, key, value) VALUES (?, ?, ?)')
        .run(ownerId, key, JSON.stringify(value));
    });
  }
}
