import dgram from 'node:dgram';
import type { DevicePoll, DeviceReply } from '@/core/protocols/protocol';
import { bound } from './sockets';

/** A node answers within three seconds (Art-Net 4, ArtPoll); one on a network of its own much sooner. */
const WAIT_MS = 1500;

/** Asks the device at one address who it is. @returns null where nobody answers */
export async function pollDevice(
  poll: DevicePoll,
  address: string,
  port: number,
  from: string | null,
): Promise<DeviceReply | null> {
  const socket = dgram.createSocket('udp4');
  const failed = await bound(socket, 0, from ?? '0.0.0.0');
  if (failed) {
    socket.close();
    throw new Error(`Nothing can be sent from ${from}: ${failed.message}.`);
  }
  try {
    return await new Promise((resolve) => {
      const timer = setTimeout(() => resolve(null), WAIT_MS);
      // Nobody listens there.
      socket.on('error', () => resolve(null));
      socket.on('message', (payload) => {
        const reply = poll.read(payload);
        if (!reply) return;
        clearTimeout(timer);
        resolve(reply);
      });
      socket.send(poll.question(), port, address);
    });
  } finally {
    socket.close();
  }
}
