import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openShow } from '../../../tests/unit/openShow';
import { aController, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { BuildPanel } from '../build/BuildPanel';
import { ForesightDialog } from '../patch/ForesightDialog';
import { ControllerPanel } from '../patch/ControllerPanel';
import { planShow } from '@/core/plan/plan';

const show = onPorts(
  aShow({ props: [aLine('rail', 100), aLine('arch', 50)], controllers: [aController()] }),
  ['rail', 1, 1],
  ['arch', 1, 2],
);
show.addressing = { ...show.addressing, askBeforeMoving: true };

it('says that a prop is removed only when it is, where the show asks before addresses move', async () => {
  const { store } = openShow(
    show,
    <>
      <BuildPanel prop={show.props[0]!} />
      <ForesightDialog />
    </>,
  );
  const remove = async () => {
    await userEvent.click(screen.getByRole('button', { name: 'More for this prop' }));
    await userEvent.click(await screen.findByRole('menuitem', { name: 'Remove rail' }));
    await screen.findByTestId('foresight');
  };
  await remove();
  expect(screen.queryByText(/rail is removed/)).toBeNull();
  await userEvent.click(screen.getByRole('button', { name: 'Leave it as it is' }));
  expect(store.getState().show.props).toHaveLength(2);
  expect(screen.queryByText(/rail is removed/)).toBeNull();
  await remove();
  await userEvent.click(screen.getByRole('button', { name: 'Do it, and note the values' }));
  expect(store.getState().show.props.map((prop) => prop.id)).toEqual(['arch']);
  expect(await screen.findByText('rail is removed. Ctrl Z brings it back.')).toBeInTheDocument();
});

it('says the same of a controller', async () => {
  openShow(
    show,
    <>
      <ControllerPanel controller={show.controllers[0]!} plan={planShow(show)} />
      <ForesightDialog />
    </>,
  );
  await userEvent.click(screen.getByRole('button', { name: /^Remove/ }));
  await screen.findByTestId('foresight');
  expect(screen.queryByText(/Box A is removed/)).toBeNull();
  await userEvent.click(screen.getByRole('button', { name: 'Do it, and note the values' }));
  await waitFor(() => expect(screen.getByText(/Box A is removed/)).toBeInTheDocument());
});
