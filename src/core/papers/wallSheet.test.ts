import { usual } from '../figures/figure';
import { aController, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { evenCards } from '../panels/driver';
import { planShow } from '../plan/plan';
import { wall } from '../props/wall';
import { wallSheet } from './wallSheet';

const starter = wall.starter();
const show = onPorts(
  aShow({
    props: [
      aLine('wall', 1, {
        kind: 'wall',
        shape: { ...starter.shape, columns: 4, rows: 2 },
        threading: {
          ...starter.threading,
          driver: {
            kind: 'cards',
            outputsPerCard: 8,
            mostPanelsPerOutput: usual(8),
            inOrder: true,
            cards: evenCards(4, 2, 2, 1),
          },
        },
      } as never),
    ],
    controllers: [aController({ firstUniverse: 101, mostPixelsPerPort: 100_000 })],
  }),
  ['wall', 1, 1],
);
const values = (of = show) =>
  Object.fromEntries(
    wallSheet(planShow(of), 0).groups.flatMap((group) =>
      group.values.map((value) => [value.name, `${value.value} (${value.scope})`]),
    ),
  );

it('spells out every width: of a panel, a chain, a card and the wall', () => {
  expect(values()).toMatchObject({
    'Pixels across': '64 (a panel)',
    Width: '256 (the whole wall)',
    Height: '64 (the whole wall)',
    'Card 1': '128 × 64 px (a card)',
    'Card 2': '128 × 64 px (a card)',
    'Output 1.1': '2 panels (a chain)',
    'Output 2.2': '2 panels (a chain)',
    Channels: '49,152 (the whole wall)',
  });
});

it('says where it starts and ends: 49,152 channels are 96 universes of 510 and 192 more', () => {
  expect(values()).toMatchObject({
    Start: 'universe 101, channel 1 (the sender)',
    End: `universe ${101 + 96}, channel 192 (the sender)`,
    Universes: '97 (the sender)',
    'Channels a universe': '510 (the sender)',
  });
});

it('names the side of the data socket as it was chosen: seen from the back', () => {
  for (const side of ['left', 'right'] as const) {
    const [prop] = show.props;
    const chosen = {
      ...prop!,
      shape: { ...starter.shape, panel: { ...starter.shape.panel, dataInAtBack: side } },
    };
    expect(values({ ...show, props: [chosen as never] })['Data socket']).toBe(`${side} (a panel)`);
  }
});

it('asks for a port where it is on none', () => {
  expect(values({ ...show, patch: [] })).toMatchObject({ Start: 'on no port yet (the sender)' });
});

it('has steps with ids of their own, for cards and for hats', () => {
  const steps = wallSheet(planShow(show), 0).steps;
  expect(steps[0]!.words).toContain('gigabit');
  expect(new Set(steps.map((step) => step.id)).size).toBe(steps.length);
});
