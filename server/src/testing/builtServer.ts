import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync } from 'node:fs';
import net from 'node:net';
import os from 'node:os';
import path from 'node:path';

const root = path.resolve(__dirname, '../../..');
const built = path.join(root, 'server/dist');

export const temporaryFolder = (): string => mkdtempSync(path.join(os.tmpdir(), 'glossarion-'));

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = net.createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as net.AddressInfo;
      probe.close(() => resolve(port));
    });
  });

/** How a server that could not be started ended: its code, and what it said. */
export interface Ended {
  code: number | null;
  said: string;
}

/** How long a server may take until it answers, in milliseconds: a start that hangs is an end, a slow one is not. */
const LONGEST_START = 120_000;

/** The server as it is built (npm run build), in a process of its own, which can be killed at any moment. */
export class BuiltServer {
  private child: ChildProcess | null = null;
  private said = '';
  port = 0;

  constructor(
    readonly data = temporaryFolder(),
    private settings: NodeJS.ProcessEnv = {},
    /** Which of the built scripts is started. */
    private command: 'main' | 'demo' = 'main',
  ) {
    if (!existsSync(built)) throw new Error('The server has to be built first: npm run build.');
  }

  get url(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  get pid(): number {
    return this.child!.pid!;
  }

  /** Starts it and waits until it answers; gives how it ended when it does not start. */
  async start(): Promise<Ended | null> {
    this.port ||= await freePort();
    this.said = '';
    const child = spawn(process.execPath, ['--heap-growing-percent=30', path.join(built, `${this.command}.mjs`)], {
      cwd: root,
      stdio: ['ignore', 'pipe', 'pipe'],
      env: {
        ...process.env,
        PORT: String(this.port),
        GLOSSARION_DATA: this.data,
        GLOSSARION_LOG: 'silent',
        NODE_ENV: 'production',
        MALLOC_ARENA_MAX: '2',
        ...this.settings,
      },
    });
    this.child = child;
    let ended: Ended | null = null;
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (this.said += String(chunk)));
    child.on('close', (code) => (ended = { code, said: this.said }));
    // The demo imports all its notes before it answers, beside whatever else the machine is busy with.
    const latest = Date.now() + LONGEST_START;
    while (!ended && Date.now() < latest) {
      if (await this.isWell()) return null;
      await new Promise((resolve) => setTimeout(resolve, 25));
    }
    return ended ?? { code: null, said: `no answer; ${this.said}` };
  }

  async isWell(): Promise<boolean> {
    return fetch(`${this.url}/api/health`).then(
      ({ ok }) => ok,
      () => false,
    );
  }

  /** The memory it holds at this moment, in bytes. */
  memory(): number {
    const status = readFileSync(`/proc/${this.pid}/status`, 'utf8');
    return Number(/VmRSS:\s+(\d+) kB/u.exec(status)?.[1] ?? 0) * 1024;
  }

  /** Ends it, at once unless another signal is named; gives its code. */
  async end(signal: NodeJS.Signals = 'SIGKILL'): Promise<number | null> {
    const { child } = this;
    this.child = null;
    if (!child || child.exitCode !== null) return child?.exitCode ?? null;
    return new Promise((resolve) => {
      child.once('exit', (code) => resolve(code));
      child.kill(signal);
    });
  }

  /** Makes an account and gives what asks in its name. */
  async person(name: string): Promise<Asker> {
    const asker = new Asker(() => this.url);
    await asker.enter('/accounts', name);
    return asker;
  }
}

/** Asks a server in the name of one account, over the network as a browser does. */
export class Asker {
  cookie = '';

  constructor(private url: () => string) {}

  get address(): string {
    return this.url();
  }

  async enter(address: '/accounts' | '/session', name: string): Promise<void> {
    const response = await this.ask('POST', address, { name, passphrase: 'tide and timber' });
    if (!response.ok) throw new Error(`${address}: ${response.status}`);
    this.cookie = response.headers.get('set-cookie')!.split(';')[0]!;
  }

  ask(method: string, address: string, body?: unknown): Promise<Response> {
    const isBytes = body instanceof Uint8Array;
    return fetch(`${this.url()}/api${address}`, {
      method,
      headers: {
        Origin: this.url(),
        Cookie: this.cookie,
        ...(body !== undefined && { 'Content-Type': isBytes ? 'application/octet-stream' : 'application/json' }),
      },
      ...(body !== undefined && { body: isBytes ? Buffer.from(body) : JSON.stringify(body) }),
    });
  }

  async get<T>(address: string): Promise<T> {
    const response = await this.ask('GET', address);
    if (!response.ok) throw new Error(`${address}: ${response.status} ${await response.text()}`);
    return (await response.json()) as T;
  }
}
