import fs from 'node:fs';
import path from 'node:path';
import { namesFor } from './door';
import { turnedAway, type Knock } from './gate';
import { contentPolicy, headersOf } from './headers';

const knock = (change: Omit<Partial<Knock>, 'headers'> & { headers?: Record<string, string> } = {}) =>
  turnedAway(
    {
      method: 'GET',
      url: '/api/shows',
      ...change,
      headers: { host: '127.0.0.1:4180', ...change.headers },
    },
    namesFor('127.0.0.1'),
  );
const post = (headers: Record<string, string>, url = '/api/shows') => knock({ method: 'POST', url, headers });
const json = { 'content-type': 'application/json' };

/** Addresses of all routes, as the files of the application have them. */
const ROUTES = fs
  .readdirSync(path.resolve(__dirname, '../../app/api'), { recursive: true, encoding: 'utf8' })
  .filter((file) => path.basename(file) === 'route.ts')
  .map((file) => `/api/${path.dirname(file).replace(/\[id\]/g, 'quay')}`);

it('knows every route', () => {
  expect(ROUTES.length).toBeGreaterThan(15);
  expect(ROUTES).toContain('/api/shows/quay/edits');
});

describe.each(ROUTES)('%s', (url) => {
  it.each([
    ['a form', { 'content-type': 'application/x-www-form-urlencoded' }],
    ['a form with files', { 'content-type': 'multipart/form-data; boundary=x' }],
    ['plain text', { 'content-type': 'text/plain' }],
    ['text that only says JSON behind', { 'content-type': 'text/plain; application/json' }],
    ['no type', {}],
  ])('takes no %s', (_what, headers) => {
    expect(post(headers as Record<string, string>, url)?.status).toBe(415);
  });
  it.each(['GET', 'POST', 'DELETE'])('answers no page from elsewhere: %s', (method) => {
    const from = (headers: Record<string, string>) =>
      knock({ method, url, headers: { ...json, ...headers } })?.status;
    expect(from({ origin: 'http://evil.example' })).toBe(403);
    expect(from({ origin: 'null' })).toBe(403);
    // Another port of the same machine is another site's page as well.
    expect(from({ origin: 'http://127.0.0.1:9999' })).toBe(403);
    expect(from({ 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'no-cors' })).toBe(403);
    expect(from({ 'sec-fetch-site': 'same-site', 'sec-fetch-mode': 'no-cors' })).toBe(403);
  });
  it('answers under no name but its own', () => {
    expect(knock({ url, headers: { host: 'evil.example:4180' } })?.status).toBe(421);
    expect(knock({ url, headers: { host: '' } })?.status).toBe(421);
    expect(knock({ url, headers: { host: '127.0.0.1.evil.example' } })?.status).toBe(421);
  });
});

it('lets its own pages and command lines through', () => {
  expect(knock()).toBeNull();
  expect(knock({ headers: { host: 'localhost:4180' } })).toBeNull();
  expect(knock({ headers: { host: '[::1]:4180' } })).toBeNull();
  expect(post(json)).toBeNull();
  expect(post({ 'content-type': 'application/json; charset=utf-8' })).toBeNull();
  expect(
    post({
      ...json,
      origin: 'http://127.0.0.1:4180',
      'sec-fetch-site': 'same-origin',
      'sec-fetch-mode': 'cors',
    }),
  ).toBeNull();
  expect(post({ 'content-type': 'image/png' }, '/api/photos')).toBeNull();
  expect(post({ 'content-type': 'image/png' }, '/api/shows')?.status).toBe(415);
  expect(knock({ method: 'DELETE', url: '/api/shows/quay' })).toBeNull();
});

it('lets a link elsewhere lead to a page, but a form elsewhere send nothing', () => {
  const from = { 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate' };
  expect(knock({ url: '/shows/quay/build', headers: from })).toBeNull();
  expect(post({ ...json, ...from })?.status).toBe(403);
});

it.each([
  ['TRACE', '/', 405],
  ['PUT', '/api/shows', 405],
  ['OPTIONS', '/api/shows', 405],
  ['GET', '/shows/%', 400],
  ['GET', '/shows/%E0%A4%A', 400],
  ['GET', '//', 400],
  ['GET', '/_next/image?url=x', 404],
])('answers %s %s with %d and a sentence', (method, url, status) => {
  expect(knock({ method, url })).toMatchObject({ status, message: expect.stringMatching(/^.+\.$/) });
});

it('lets scripts run only with the nonce of their page, and nobody frame it', () => {
  const policy = contentPolicy('abc', false);
  expect(policy).toContain("script-src 'self' 'nonce-abc';");
  expect(policy).toContain("frame-ancestors 'none'");
  expect(policy).not.toContain('unsafe-eval');
  expect(headersOf('abc', false, true)).toMatchObject({
    'x-content-type-options': 'nosniff',
    'referrer-policy': 'same-origin',
    'cross-origin-opener-policy': 'same-origin',
  });
  expect(headersOf('abc', false, false)).not.toHaveProperty('cross-origin-opener-policy');
});
