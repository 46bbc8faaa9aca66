import type dgram from 'node:dgram';

/** Binds a socket. @returns why it could not be; null where it is */
export function bound(
  socket: dgram.Socket,
  port: number,
  address: string,
): Promise<NodeJS.ErrnoException | null> {
  return new Promise((resolve) => {
    const fail = (error: NodeJS.ErrnoException) => resolve(error);
    socket.once('error', fail);
    socket.bind({ port, address, exclusive: true }, () => {
      socket.off('error', fail);
      resolve(null);
    });
  });
}
