import { act, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openShow } from '../../../tests/unit/openShow';
import { aController, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { BuildPanel } from '../build/BuildPanel';
import { ForesightDialog } from '../patch/ForesightDialog';
import { ControllerPanel } from '../patch/ControllerPanel';
import { planShow } from '@/core/plan/plan';
import { handedOut } from '@/core/show/handedOut';
import { editOrAsk, useForesight } from './foresight';

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

describe('a change that moves another prop', () => {
  const quiet = { ...show, addressing: { packing: show.addressing.packing, newUniverse: 'never' as const } };
  const longer = {
    type: 'setShape' as const,
    propId: 'rail',
    shape: aLine('rail', 110).shape,
  };
  const lengthOf = (shown: ReturnType<typeof openShow>) =>
    planShow(shown.store.getState().show).props[0]!.pixelCount;

  it('is told, with the way back, as long as no value is out', async () => {
    const opened = openShow(quiet, <ForesightDialog />);
    act(() => editOrAsk(opened.store, opened.planner, longer));
    const notice = await screen.findByTestId('moved-notice');
    // 100 pixels held 300 channels, 110 hold 330.
    expect(notice).toHaveTextContent('arch: U1 ch 301 – U1 ch 450 is now U1 ch 331 – U1 ch 480');
    expect(useForesight.getState().choices).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: 'Ask before, from now on' }));
    expect(opened.store.getState().show.addressing.askBeforeMoving).toBe(true);
  });

  it('is asked about once values were copied, and not again where that is wished', async () => {
    const opened = openShow(quiet, <ForesightDialog />);
    act(() => opened.store.getState().note([handedOut('show', 'copied', 'Ports of Box A')]));
    act(() => editOrAsk(opened.store, opened.planner, longer));
    expect(await screen.findByTestId('foresight')).toHaveTextContent('Ports of Box A was copied');
    await userEvent.click(screen.getByRole('checkbox', { name: /Not again/ }));
    await userEvent.click(screen.getByRole('button', { name: 'Do it, and note the values' }));
    await waitFor(() => expect(lengthOf(opened)).toBe(110));
    expect(opened.store.getState().show.addressing.askBeforeMoving).toBe(false);
    act(() => editOrAsk(opened.store, opened.planner, { ...longer, shape: aLine('rail', 120).shape }));
    await waitFor(() => expect(lengthOf(opened)).toBe(120));
    expect(useForesight.getState().choices).toBeNull();
  });
});
