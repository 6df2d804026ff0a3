// One port for both: HTTPS, and plain HTTP for who typed the address without it.
import type { Server as PlainServer } from 'node:http';
import type { Server as SecureServer } from 'node:https';
import { createServer, type Server, type Socket } from 'node:net';

/** First byte of a TLS handshake. @source RFC 8446, 5.1: content type 22 */
const HANDSHAKE = 22;
const SILENT_MS = 10_000;

export interface Front {
  server: Server;
  /** Lets go of everyone, of those too who never got as far as to ask: a phone that walked away in the middle of its greeting. */
  dropAll(): void;
}

/** Hands each connection to the one that it speaks to. */
export function makeFront(secure: SecureServer, plain: PlainServer): Front {
  const sockets = new Set<Socket>();
  const server = createServer((socket) => {
    sockets.add(socket);
    socket.on('close', () => sockets.delete(socket));
    socket.setTimeout(SILENT_MS, () => socket.destroy());
    socket.on('error', () => socket.destroy());
    socket.once('readable', () => {
      const first = socket.read(1) as Buffer | null;
      if (first === null) return;
      socket.setTimeout(0);
      socket.unshift(first);
      (first[0] === HANDSHAKE ? secure : plain).emit('connection', socket);
    });
  });
  return {
    server,
    dropAll() {
      for (const socket of sockets) socket.destroy();
    },
  };
}
