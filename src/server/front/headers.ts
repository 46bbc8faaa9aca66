/**
 * Headers of every answer. Scripts run only from this server or with the nonce of their page; nothing is framed, guessed or passed on.
 *
 * @param nonce of this answer
 * @param dev the development server needs what it loads changes with
 * @param isAtHome whether this machine asks, whose pages over plain HTTP a browser trusts
 */
export function headersOf(nonce: string, dev: boolean, isAtHome: boolean): Record<string, string> {
  return {
    'content-security-policy': contentPolicy(nonce, dev),
    'x-content-type-options': 'nosniff',
    'x-frame-options': 'DENY',
    'referrer-policy': 'same-origin',
    // A browser that does not trust the line ignores this one, and complains in the console of every page.
    ...(isAtHome && { 'cross-origin-opener-policy': 'same-origin' }),
    'cross-origin-resource-policy': 'same-origin',
  };
}

export function contentPolicy(nonce: string, dev: boolean): string {
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}'${dev ? " 'unsafe-eval'" : ''}`,
    // The components write widths and colours into style attributes.
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' blob: data:",
    "media-src 'self' blob:",
    "font-src 'self'",
    `connect-src 'self'${dev ? ' ws:' : ''}`,
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
}
