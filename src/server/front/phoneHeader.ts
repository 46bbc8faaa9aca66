/** Set on requests that come from a phone which was let in, to its id. What a client says of it is taken away at the door. */
export const PHONE_HEADER = 'x-rapid-lantern-phone';

/** The phone that asks; null for this machine itself. */
export function phoneOf(request: Request): string | null {
  return request.headers.get(PHONE_HEADER);
}
