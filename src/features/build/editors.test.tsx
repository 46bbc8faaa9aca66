import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openSheet } from '../../../tests/unit/openSheet';
import { aController, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { kindOf, type Prop, type PropKindName, type PropOf } from '@/core/props/registry';
import { RoutePanel } from '../route/RoutePanel';
import { ShapeEditor } from '../kinds/ShapeEditor';

jest.mock('next/navigation', () => ({
  usePathname: () => window.location.pathname,
  useSearchParams: () => new URLSearchParams(window.location.search),
}));

/** Opens the measures of a prop of a kind as it starts, and gives what they are after each change. */
async function openKind<Kind extends PropKindName>(kind: Kind, shape: object = {}) {
  const starter = kindOf({ kind }).starter() as { shape: object; threading: object };
  const prop = aLine('p', 1, { kind, ...starter, shape: { ...starter.shape, ...shape } } as never);
  const { store } = openSheet(aShow({ props: [prop] }), (plan) => <ShapeEditor prop={plan.show.props[0]!} />);
  await screen.findAllByRole('textbox');
  return (): PropOf<Kind>['shape'] => store.getState().show.props[0]!.shape as PropOf<Kind>['shape'];
}

async function typeInto(label: string, text: string, at = 0) {
  const field = screen.getAllByLabelText(label)[at]!;
  await userEvent.clear(field);
  await userEvent.type(field, `${text}{Enter}`);
}

async function choose(label: string, option: string) {
  await userEvent.click(screen.getByRole('combobox', { name: label }));
  await userEvent.click(screen.getByRole('option', { name: option }));
}

describe('a tree', () => {
  it('is measured in builders’ words and units', async () => {
    const shape = await openKind('tree');
    await typeInto('Strands', '12');
    await typeInto('Hole to hole', '1"');
    await typeInto('A pixel in every', '3');
    await typeInto('Height', '12 ft');
    await typeInto('Bare holes, top', '2');
    expect(shape()).toMatchObject({ strands: 12, holePitchMm: 25.4, everyHole: 3, emptyHolesTop: 2 });
    expect(shape().height).toEqual({ by: 'height', heightMm: expect.closeTo(3657.6) as number });
    // 50 pixels in every third hole and 2 bare ones: 149 gaps of an inch.
    await userEvent.click(screen.getByText('By the strip'));
    expect(screen.getByText(/at the anchor: 3.785 m/)).toBeInTheDocument();
    expect(shape().height).toEqual({ by: 'strip' });
  });

  it('keeps its size when it is measured along a strand instead', async () => {
    const shape = await openKind('tree', {
      height: { by: 'height', heightMm: 4000 },
      baseDiameterMm: 6000,
      topDiameterMm: 0,
    });
    await userEvent.click(screen.getByText('Along a strand'));
    // 3, 4, 5.
    expect(shape().height).toEqual({ by: 'slant', slantMm: 5000 });
    await userEvent.click(screen.getByText('Upright'));
    expect(shape().height).toEqual({ by: 'height', heightMm: 4000 });
  });

  it('changes its form, and says where strand 1 is', async () => {
    const shape = await openKind('tree');
    await userEvent.click(screen.getByText('Full 360°'));
    await choose('Strand 1 is at the', 'back');
    await choose('Numbered, from above', 'Clockwise');
    expect(shape().form).toEqual({ kind: 'full', firstStrandAt: 'back', direction: 'clockwise' });
    await userEvent.click(screen.getByText('Flat'));
    expect(shape().form).toEqual({ kind: 'flat', firstStrandAt: 'left' });
  });

  it('refuses what no tree can be, and says what is allowed', async () => {
    const shape = await openKind('tree');
    await typeInto('Strands', '0');
    expect(
      screen.getByText('The number of strands is a whole number from 1 to 500; “0” is not.'),
    ).toBeInTheDocument();
    await typeInto('Hole to hole', 'a hand');
    expect(screen.getByText(/“a hand” is not a length/)).toBeInTheDocument();
    expect(shape().strands).toBe(16);
  });
});

describe('a grid', () => {
  it('has seams where it comes apart', async () => {
    const shape = await openKind('grid');
    await typeInto('Columns', '20');
    await typeInto('Seams after columns', '7, 14');
    expect(shape()).toMatchObject({ columns: 20, seamsAfterColumns: [7, 14] });
    await userEvent.clear(screen.getByLabelText('Seams after columns'));
    await userEvent.keyboard('{Enter}');
    expect(shape().seamsAfterColumns).toBeUndefined();
  });
});

describe('a ring', () => {
  it('gets further rings about its middle', async () => {
    const shape = await openKind('ring');
    await typeInto('Pixels', '40');
    await userEvent.click(screen.getByRole('button', { name: /Add a ring/ }));
    expect(shape().rings).toHaveLength(2);
    const second = within(screen.getByRole('group', { name: 'Ring 2' }));
    await userEvent.clear(second.getByLabelText('Pixels'));
    await userEvent.type(second.getByLabelText('Pixels'), '24{Enter}');
    expect(shape().rings.map((ring) => ring.pixels)).toEqual([40, 24]);
    await userEvent.click(screen.getByRole('button', { name: 'Remove ring 1' }));
    expect(shape().rings.map((ring) => ring.pixels)).toEqual([24]);
  });
});

describe('tiles', () => {
  it('are so many, of so many pixels, at a pitch', async () => {
    const shape = await openKind('tile');
    await typeInto('Tiles across', '4');
    await typeInto('Pixels across', '5');
    expect(shape()).toMatchObject({ columns: 4, tile: { columns: 5 } });
  });
});

describe('a craft', () => {
  it('has a board of cells and a limit', async () => {
    const shape = await openKind('craft');
    await typeInto('Cells, left to right', '12');
    await typeInto('Board drives', '16');
    expect(shape()).toMatchObject({ columns: 12, mostPixels: 16 });
  });
  it('refuses a board that is smaller than its pixels', async () => {
    const shape = await openKind('craft', {
      columns: 5,
      pixels: [{ column: 4, row: 0, facing: 'up', roles: [] }],
    });
    await typeInto('Cells, left to right', '3');
    expect(shape().columns).toBe(5);
  });
});

describe('a line', () => {
  it('becomes a window frame', async () => {
    const shape = await openKind('line');
    await userEvent.click(screen.getByRole('button', { name: 'Make it a frame…' }));
    await userEvent.click(await screen.findByRole('button', { name: 'Replace the legs' }));
    expect(shape().legs).toHaveLength(4);
  });
  it('has corners that eat a pixel or want a jumper', async () => {
    const leg = { lengthMm: 500, headingDeg: 0, pixels: { by: 'count', count: 10 } };
    const shape = await openKind('line', { legs: [leg, leg] });
    await choose('At its end', 'The bend eats a pixel');
    expect(shape().legs[0]!.corner).toBe('eatsPixel');
    await choose('At its end', 'The strip runs on');
    expect(shape().legs[0]!.corner).toBeUndefined();
  });
});

describe('threading', () => {
  function openThread(kind: PropKindName) {
    const starter = kindOf({ kind }).starter() as { shape: object; threading: object };
    const prop = aLine('p', 1, { kind, ...starter } as never);
    const show = onPorts(aShow({ props: [prop], controllers: [aController()] }), ['p', 1, 1]);
    const { store } = openSheet(show, (plan) => <RoutePanel prop={plan.show.props[0]!} />);
    return () => (store.getState().show.props[0] as Prop).threading as Record<string, unknown>;
  }

  it.each<[PropKindName, string, Record<string, unknown>]>([
    ['line', 'The end', { firstPixel: 'end' }],
    ['ring', 'The last ring', { startRing: 'last' }],
    ['tree', 'The top', { dataEnters: 'top' }],
    ['tree', 'Straight', { pattern: 'straight' }],
    ['grid', 'Rows', { along: 'rows' }],
    ['tile', 'Columns', { along: 'columns' }],
    ['freeform', 'The end', { firstPixel: 'end' }],
  ])('of a %s: %s', async (kind, words, expected) => {
    const threading = openThread(kind);
    await userEvent.click(screen.getByText(words));
    expect(threading()).toMatchObject(expected);
  });

  it('is split evenly, or with so many strands a run', async () => {
    const threading = openThread('tree');
    await typeInto('Runs', '4');
    expect(threading().runs).toBe(4);
    await userEvent.click(screen.getByText('By strands'));
    expect(threading().runs).toEqual([4, 4, 4, 4]);
    await typeInto('Strands of each run', '10 + 6');
    expect(threading().runs).toEqual([10, 6]);
  });
});
