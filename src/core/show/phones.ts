import { z } from 'zod';

/** Whether phones can come in from the network at home, and which did. */
export const phonesSchema = z.object({
  isOpen: z.boolean(),
  /** Under which phones reach this machine, with the port: `192.168.1.20:4180`. The first is the likeliest. */
  addresses: z.array(z.string()),
  /** As it is typed; null while nobody can come in. */
  code: z.string().nullable(),
  phones: z.array(
    z.object({
      id: z.string(),
      name: z.string(),
      /** ISO 8601. */
      since: z.string(),
      seen: z.string(),
    }),
  ),
});
export type Phones = z.infer<typeof phonesSchema>;

/** Requests to the door, at the laptop. */
export const phonesRequestSchema = z.discriminatedUnion('do', [
  z.strictObject({ do: z.literal('sendAway'), phoneId: z.string().min(1).max(64) }),
  z.strictObject({ do: z.literal('renew') }),
]);
export type PhonesRequest = z.infer<typeof phonesRequestSchema>;

/** The link for a phone's camera: the code stands behind the #, which no browser sends along. */
export function linkToEnter(address: string, code: string, path = '/'): string {
  return `http://${address}${path}#${code}`;
}
