import { createServer, type Server } from 'node:http';
import net, { type AddressInfo } from 'node:net';
import { endStillConnections } from './stillConnections';

const STILL = 200;
const pause = (milliseconds: number) => new Promise((resolve) => setTimeout(resolve, milliseconds));

let server: Server;
/** A server that works on each answer for so long, in milliseconds, and then answers with so many bytes. */
const serving = async (works: number, bytes = 2): Promise<number> => {
  server = createServer((request, response) => {
    request.resume().on('end', () => setTimeout(() => response.end('a'.repeat(bytes)), works));
  });
  endStillConnections(server, STILL);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return (server.address() as AddressInfo).port;
};
afterEach(() => {
  server.closeAllConnections();
  server.close();
});

/** Sends words to a port and gives whether the server ended the connection within ten times what is still. */
const isEnded = async (port: number, words: string, isTaken = true): Promise<boolean> => {
  const socket = net.connect(port, '127.0.0.1');
  let ended = false;
  socket.on('error', () => undefined);
  if (isTaken) socket.on('data', () => undefined);
  socket.on('close', () => (ended = true));
  socket.write(words);
  await pause(10 * STILL);
  // What was not taken has to be taken before an end is seen.
  socket.resume();
  await pause(STILL / 2);
  socket.destroy();
  return ended;
};

test('an answer that takes longer than a connection may be still arrives', async () => {
  const port = await serving(5 * STILL);
  const response = await fetch(`http://127.0.0.1:${port}`, { method: 'POST', body: 'a folder' });
  expect(await response.text()).toBe('aa');
});

test('a second answer on the same connection may take as long', async () => {
  const port = await serving(3 * STILL);
  for (const body of ['one', 'two'])
    expect(await (await fetch(`http://127.0.0.1:${port}`, { method: 'POST', body })).text()).toBe('aa');
});

test('a request that stops arriving is ended', async () => {
  const port = await serving(0);
  expect(await isEnded(port, 'POST / HTTP/1.1\r\nHost: here\r\nContent-Length: 100\r\n\r\nbeginning')).toBe(true);
});

test('a connection on which nothing is asked is ended', async () => {
  expect(await isEnded(await serving(0), '')).toBe(true);
});

test('an answer that nobody takes is ended', async () => {
  const port = await serving(0, 50_000_000);
  expect(await isEnded(port, 'GET / HTTP/1.1\r\nHost: here\r\n\r\n', false)).toBe(true);
});
