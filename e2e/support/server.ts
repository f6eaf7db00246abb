import { spawn, type ChildProcess } from 'node:child_process';
import { appendFileSync, mkdirSync, mkdtempSync } from 'node:fs';
import net from 'node:net';
import os from 'node:os';
import path from 'node:path';

export const root = path.resolve(__dirname, '../..');
/** The data folders of all servers of a run, for the check at its end. */
export const folderList = path.join(root, 'node_modules/.cache/glossarion/e2e-folders');

export const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = net.createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as net.AddressInfo;
      probe.close(() => resolve(port));
    });
  });

/** A real server with a data folder of its own, that can be killed and started again on the same port. */
export class TestServer {
  private process: ChildProcess | null = null;
  readonly data = mkdtempSync(path.join(os.tmpdir(), 'glossarion-e2e-'));

  /** @param port where it listens; any that is free unless it is said */
  constructor(private port = 0) {}

  get url(): string {
    return `http://localhost:${this.port}`;
  }

  async start(): Promise<void> {
    this.port ||= await freePort();
    mkdirSync(path.dirname(folderList), { recursive: true });
    appendFileSync(folderList, `${this.data}\n`);
    this.process = spawn(process.execPath, [path.join(root, 'server/dist/main.mjs')], {
      cwd: root,
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, PORT: String(this.port), GLOSSARION_DATA: this.data, GLOSSARION_LOG: 'silent' },
    });
    for (let tries = 0; tries < 1_200; tries += 1) {
      const isWell = await fetch(`${this.url}/api/health`).then(
        (response) => response.ok,
        () => false,
      );
      if (isWell) return;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    throw new Error('The server did not start.');
  }

  /** Ends it at once, as a power cut would. */
  async kill(signal: NodeJS.Signals = 'SIGKILL'): Promise<void> {
    const ending = this.process;
    if (!ending) return;
    this.process = null;
    await new Promise<void>((resolve) => {
      ending.once('exit', () => resolve());
      ending.kill(signal);
    });
  }
}
