import type { Server } from 'node:http';

/**
 * Ends connections on which nothing moves for so many milliseconds: one whose request does not arrive, or whose answer
 * is not taken. One whose answer is still being worked on is left alone, however long that takes: a folder that is taken
 * in moves nothing on its connection until it is in.
 */
export function endStillConnections(server: Server, after: number): void {
  server.setTimeout(after);
  server.on('request', (request, response) => {
    // Who listens to this decides by himself whether the connection is ended.
    response.on('timeout', () => {
      if (!request.complete || response.headersSent) request.socket.destroy();
    });
  });
}
