import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { aController, aLine, aShow, onPorts } from '../../tests/unit/shows';
import { openShow } from '../../tests/unit/openShow';
import { findingsOf } from '@/core/checks/registry';
import { planShow } from '@/core/plan/plan';
import type { Show } from '@/core/show/schema';
import { LineShapeEditor } from './editors/LineShapeEditor';
import { Findings } from './shell/Findings';
import { CornerPicker } from '@/ui/fields/CornerPicker';

describe('findings', () => {
  it('are mended by their button', async () => {
    const show = aShow({ props: [aLine('rail', 50)], controllers: [aController()] });
    const { store } = openShow(show, <Findings findings={findingsOf(planShow(show))} />);
    expect(screen.getByText(/its run is on no port/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Put on A1' }));
    expect(findingsOf(planShow(store.getState().show))).toEqual([]);
  });

  it('say what a mend moves before it is made, to the pointer and to the keyboard', async () => {
    const show = aShow({ props: [aLine('rail', 50)], controllers: [aController()] });
    const { store } = openShow(show, <Findings findings={findingsOf(planShow(show))} />);
    await userEvent.tab();
    expect(screen.getByRole('button', { name: 'Put on A1' })).toHaveFocus();
    const words = within(await screen.findByRole('tooltip'));
    expect(await words.findByText(/1 run moved/)).toBeInTheDocument();
    expect(words.getByText(/no address → U1 ch 1$/)).toBeInTheDocument();
    expect(store.getState().show).toBe(show);
  });

  it('are counted when there are too many to show', () => {
    const show = aShow({ props: Array.from({ length: 15 }, (_, i) => aLine(`rail-${i}`, 5)) });
    openShow(show, <Findings findings={findingsOf(planShow(show))} />);
    expect(screen.getAllByText(/Next step/)).toHaveLength(12);
    expect(screen.getByText('And 3 more.')).toBeInTheDocument();
  });
});

describe('the legs of a line', () => {
  const show = onPorts(aShow({ props: [aLine('rail', 50)], controllers: [aController()] }), ['rail', 1, 1]);
  const legsOf = (now: Show) => (now.props[0] as Extract<Show['props'][0], { kind: 'line' }>).shape.legs;

  it('are added, measured, counted by spacing and removed', async () => {
    const { store, again } = openShow(show, <LineShapeEditor propId="rail" shape={{ legs: legsOf(show) }} />);
    const refresh = () =>
      again(<LineShapeEditor propId="rail" shape={{ legs: legsOf(store.getState().show) }} />);
    await userEvent.click(screen.getByRole('button', { name: 'Add a leg' }));
    refresh();
    const second = within(screen.getByRole('group', { name: 'Leg 2' }));
    await userEvent.clear(second.getByLabelText('Points to'));
    await userEvent.type(second.getByLabelText('Points to'), '90{Enter}');
    refresh();
    await userEvent.clear(second.getByLabelText('Length'));
    await userEvent.type(second.getByLabelText('Length'), '1 m{Enter}');
    refresh();
    await userEvent.click(second.getByText('Spacing'));
    expect(legsOf(store.getState().show)[1]).toEqual({
      lengthMm: 1000,
      headingDeg: 90,
      pixels: { by: 'spacing', spacingMm: 20 },
    });
    refresh();
    await userEvent.click(screen.getByRole('button', { name: 'Remove leg 1' }));
    expect(legsOf(store.getState().show)).toHaveLength(1);
  });

  it('refuse a direction that is none', async () => {
    openShow(show, <LineShapeEditor propId="rail" shape={{ legs: legsOf(show) }} />);
    await userEvent.clear(screen.getByLabelText('Points to'));
    await userEvent.type(screen.getByLabelText('Points to'), 'uphill{Enter}');
    expect(screen.getByText('A direction is from −360° to 360°; “uphill” is not.')).toBeInTheDocument();
  });
});

describe('the corner picker', () => {
  it.each([
    ['topLeft', '{ArrowRight}', 'topRight'],
    ['topLeft', '{ArrowDown}', 'bottomLeft'],
    ['bottomRight', '{ArrowLeft}', 'bottomLeft'],
    ['bottomRight', '{ArrowUp}', 'topRight'],
  ] as const)('goes from %s with %s to %s', async (from, key, to) => {
    const onChange = jest.fn();
    openShow(aShow(), <CornerPicker value={from} side="front" onChange={onChange} />);
    screen.getByRole('radio', { checked: true }).focus();
    await userEvent.keyboard(key);
    expect(onChange).toHaveBeenCalledWith(to);
  });
});
