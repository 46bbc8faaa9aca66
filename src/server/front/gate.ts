import { itemAt } from '@/core/units/there';
/** As much of a request as is looked at before anything else sees it. */
export interface Knock {
  method: string;
  /** As it stands in the first line of the request. */
  url: string;
  /** Names in lower case. */
  headers: Record<string, string | string[] | undefined>;
}

/** Why a request goes no further. */
interface Turned {
  status: number;
  message: string;
  /** Further headers of the answer. */
  headers?: Record<string, string>;
}

const METHODS = ['GET', 'HEAD', 'POST', 'DELETE'];

/** Types of a body, by address; everything else takes JSON. A form can send none of them. */
const BODY_TYPES: readonly [address: RegExp, types: readonly string[]][] = [
  [/^\/api\/archives$/, ['application/zip', 'application/x-zip-compressed']],
  [/^\/api\/photos$/, ['image/jpeg', 'image/png', 'image/webp', 'application/octet-stream']],
];
const JSON_ONLY = ['application/json'];

/**
 * Looks at a request before any route does, so that no route can forget to. Null lets it through.
 *
 * A browser sends requests for any page that is open in it. What tells ours from others is the name that the request was meant for
 * (Host), the page that it comes from (Origin and Sec-Fetch-Site, which no page can forge), and a type of body that a plain form cannot
 * have, so that the browser asks first (RFC 9110, Fetch standard).
 *
 * @param names under which this server is reached there: a page elsewhere whose name was made to lead here has another one
 */
export function turnedAway({ method, url, headers }: Knock, names: ReadonlySet<string>): Turned | null {
  if (!METHODS.includes(method))
    return {
      status: 405,
      message: `This server takes ${METHODS.join(', ')}, and no ${method.slice(0, 20)}.`,
      headers: { allow: METHODS.join(', ') },
    };
  const host = text(headers.host);
  if (!names.has(nameIn(host)))
    return {
      status: 421,
      message: `This server is not “${host.slice(0, 100)}”: it answers under ${[...names].join(', ')}.`,
    };
  const path = pathOf(url);
  if (path === null)
    return {
      status: 400,
      message: 'This address cannot be read: a % has to be followed by two hexadecimal digits.',
    };
  if (path === '/_next/image') return { status: 404, message: 'There is nothing at this address.' };
  const origin = text(headers.origin);
  const site = text(headers['sec-fetch-site']);
  const fromElsewhere =
    (origin !== '' && origin !== `http://${host}`) ||
    // A link elsewhere may lead to a page here; nothing else of another site's has anything to ask.
    (site !== '' &&
      !['same-origin', 'none'].includes(site) &&
      text(headers['sec-fetch-mode']) !== 'navigate') ||
    (site !== '' && !['same-origin', 'none'].includes(site) && method !== 'GET');
  if (fromElsewhere)
    return {
      status: 403,
      message: 'This request comes from a page of another site, which has no business here.',
    };
  if (method === 'POST') {
    const allowed = BODY_TYPES.find(([address]) => address.test(path))?.[1] ?? JSON_ONLY;
    const type = itemAt(text(headers['content-type']).split(';'), 0).trim().toLowerCase();
    if (!allowed.includes(type))
      return {
        status: 415,
        message: `The type of the body is “${type.slice(0, 60)}”; ${allowed.join(' or ')} is needed there (header content-type).`,
      };
  }
  return null;
}

function text(header: string | string[] | undefined): string {
  return Array.isArray(header) ? header.join(', ') : (header ?? '');
}

/** `127.0.0.1:4180` → `127.0.0.1`. The port may be another one, where it is passed on. */
function nameIn(host: string): string {
  return host.replace(/:\d{1,5}$/, '').toLowerCase();
}

function pathOf(url: string): string | null {
  try {
    return decodeURIComponent(new URL(url, 'http://here').pathname);
  } catch {
    return null;
  }
}
