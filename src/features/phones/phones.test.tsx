import { MantineProvider } from '@mantine/core';
import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Phones, PhonesRequest } from '@/core/show/phones';
import { linkToEnter } from '@/core/show/phones';
import { theme } from '@/ui/theme/theme';
import { PhonesDialog } from './PhonesDialog';

const OPEN: Phones = {
  isOpen: true,
  addresses: ['192.168.1.20:4180', '10.0.0.4:4180'],
  code: 'K7QF-2MTR',
  phones: [
    { id: 'p1', name: 'Android, Chrome', since: '2026-11-27T18:00:00Z', seen: '2026-11-27T18:30:00Z' },
  ],
};

/** A door that answers so, and what it is asked. */
function aDoor(standing: Phones) {
  const asked: PhonesRequest[] = [];
  global.fetch = jest.fn(async (_address: string, init?: { body?: string }) => {
    if (init?.body) {
      asked.push(JSON.parse(init.body) as PhonesRequest);
      standing = { ...standing, phones: [] };
    }
    return { ok: true, json: async () => standing };
  }) as never;
  return asked;
}

const open = () =>
  render(
    <MantineProvider theme={theme} env="test">
      <PhonesDialog opened onClose={() => {}} path="/phone/quay" />
    </MantineProvider>,
  );

it('says how phones come in where they cannot', async () => {
  aDoor({ isOpen: false, addresses: [], code: null, phones: [] });
  open();
  expect(await screen.findByText('npm run demo -- --lan')).toBeInTheDocument();
  expect(screen.queryByTestId('access-code')).toBeNull();
});

it('shows the address, the code and its picture, and sends a phone away', async () => {
  const asked = aDoor(OPEN);
  open();
  expect(await screen.findByTestId('access-code')).toHaveTextContent('K7QF-2MTR');
  expect(screen.getByText('http://192.168.1.20:4180')).toBeInTheDocument();
  expect(screen.getByText(/Or 10\.0\.0\.4:4180/)).toBeInTheDocument();
  expect(screen.getByAltText(/Code for the phone/)).toHaveAttribute(
    'src',
    expect.stringContaining('path=/phone/quay'),
  );
  const phones = within(screen.getByRole('region', { name: 'Phones that are let in' }));
  await userEvent.click(phones.getByRole('button', { name: 'Send away' }));
  expect(asked).toEqual([{ do: 'sendAway', phoneId: 'p1' }]);
  expect(await phones.findByText('No phone yet.')).toBeInTheDocument();
  await userEvent.click(screen.getByRole('button', { name: 'New code, and all enter anew' }));
  expect(asked.at(-1)).toEqual({ do: 'renew' });
});

it('says where this machine is in no network', async () => {
  aDoor({ ...OPEN, addresses: [] });
  open();
  expect(await screen.findByRole('alert')).toHaveTextContent('in no network');
});

it('has the code behind the sign that no browser sends along', () => {
  const link = new URL(linkToEnter('192.168.1.20:4180', 'K7QF-2MTR', '/phone/quay'));
  expect([link.host, link.pathname, link.search, link.hash]).toEqual([
    '192.168.1.20:4180',
    '/phone/quay',
    '',
    '#K7QF-2MTR',
  ]);
});
