import { act, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openShow } from '../../../tests/unit/openShow';
import { aController, aLine, aShow } from '../../../tests/unit/shows';
import { SHIPPED_CONTROLLER_TYPES } from '@/core/catalogue/controllerType';
import { BuildPanel } from '../build/BuildPanel';
import { PixelTypesDialog } from '../build/PixelTypesDialog';
import { KindFields } from '../patch/KindFields';
import { useDialog } from '../view/openDialog';

jest.mock('next/navigation', () => ({
  usePathname: () => window.location.pathname,
  useSearchParams: () => new URLSearchParams(window.location.search),
}));

const controller = aController({ typeId: 'ethernet-4' });
const show = aShow({
  props: [aLine('rail', 10)],
  controllers: [controller],
  controllerTypes: [SHIPPED_CONTROLLER_TYPES.find((type) => type.id === 'ethernet-4')!],
});

async function typeInto(field: HTMLElement, text: string) {
  await userEvent.clear(field);
  await userEvent.type(field, `${text}{Enter}`);
}

it('calls a limit that was typed just that, until more is said of it', async () => {
  const { store } = openShow(show, <KindFields controller={controller} />);
  const limit = () => store.getState().show.controllerTypes[0]!.mostUniverses;
  await userEvent.click(screen.getByRole('button', { name: 'Change this kind…' }));
  await typeInto(await screen.findByLabelText('Universes'), '12');
  expect(limit()).toEqual({ value: 12, basis: 'typed' });
  await userEvent.click(screen.getByRole('button', { name: 'What Universes stands on: typed in' }));
  await userEvent.click(screen.getByRole('combobox', { name: 'Universes stands on' }));
  await userEvent.click(await screen.findByRole('option', { name: 'Measured' }));
  await typeInto(screen.getByLabelText('Universes: by'), 'Ada');
  await typeInto(screen.getByLabelText('Universes: how'), 'all ports white');
  expect(limit()).toEqual({ value: 12, basis: 'measured', who: 'Ada', how: 'all ports white' });
  // A figure that is not known stands on nothing.
  expect(screen.queryByRole('button', { name: /What Pixels in all stands on/ })).toBeNull();
  await typeInto(screen.getByLabelText('Universes'), '0');
  expect(limit()).toBeUndefined();
});

it('tells what was found with a part wherever it is used', async () => {
  const { store } = openShow(
    show,
    <>
      <BuildPanel prop={show.props[0]!} />
      <PixelTypesDialog />
    </>,
  );
  const type = () => store.getState().show.pixelTypes[0]!;
  const { name } = type();
  act(() => useDialog.getState().show('pixelTypes'));
  await userEvent.click(await screen.findByRole('button', { name: `Timing and notes of ${name}` }));
  await userEvent.click(screen.getByRole('button', { name: `Note what was found with it: ${name}` }));
  await userEvent.click(screen.getByRole('combobox', { name: `What became of it, with ${name}` }));
  await userEvent.click(await screen.findByRole('option', { name: 'Failed' }));
  await userEvent.type(screen.getByLabelText(`A note on ${name}`), 'water in the first batch{Enter}');
  expect(type().notes).toMatchObject([{ outcome: 'fails', text: 'water in the first batch' }]);
  expect(screen.getAllByText(/water in the first batch/)).toHaveLength(2);
  // The timing of its chips, with what that stands on.
  await typeInto(screen.getByLabelText('Then it waits'), '80 µs');
  expect(type().timing).toMatchObject({
    kind: 'oneWire',
    bitUs: { value: 1.25, basis: 'default' },
    latchUs: { value: 80, basis: 'typed' },
  });
  await userEvent.click(screen.getByRole('button', { name: 'As is usual for its chip' }));
  expect(type().timing).toBeUndefined();
  const dialog = within(screen.getByRole('dialog', { name: /Pixel types/ }));
  await userEvent.click(dialog.getByRole('button', { name: /Remove the note/ }));
  expect(type().notes).toBeUndefined();
});
