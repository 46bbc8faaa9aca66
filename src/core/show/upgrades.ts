import { isObject, same } from '../fields/json';

/** A show file as some version wrote it: checked only after it was brought up to date. */
type Older = Record<string, unknown>;

/** Upgrades from each older version of the show file to the next. */
export const UPGRADES: Record<number, (older: Older) => Older> = {
  1: notesBecomeFacts,
  2: limitsBecomeFigures,
  3: ordersAndHoles,
  4: powerIsPlanned,
  5: jointsAreKept,
  6: facingsAreOfTheCraft,
  7: linksHaveNoUniverses,
};

function listOf(holder: Older, name: string): Older[] {
  const list = holder[name];
  return Array.isArray(list) ? list.filter(isObject) : [];
}

const FIELDS: Record<string, string> = {
  'first universe': 'firstUniverse',
  'number of universes': 'universes',
  'channels a universe': 'channelsPerUniverse',
  pixels: 'pixels',
  'start universe': 'universe',
  'start channel': 'channel',
  'colour order': 'colourOrder',
};

/**
 * Version 1 kept ticks, states of devices and found settings in the show, where undo took them back. They become facts; a value to
 * type says by an id which setting it is.
 */
function notesBecomeFacts(older: Older): Older {
  const { deviceStates: _states, found: _found, ...show } = older;
  const facts: Older[] = [];
  // Version 1 did not say when; the first moment of counting tells that it is not known.
  const at = '1970-01-01T00:00:00Z';
  const note = (kind: string, list: string, recordId: unknown, field: string, value: unknown) =>
    facts.push({ id: `upgraded-${facts.length + 1}`, kind, list, recordId, field, value, at });

  const settings = new Set<string>();
  const tasks = listOf(older, 'tasks')
    .reverse()
    .flatMap(({ done, ...task }, i) => {
      const port = /\d+$/.exec(String(task.port ?? ''))?.[0];
      const setting = FIELDS[String(task.what)] ?? 'other';
      const field = port ? `port.${port}.${setting}` : setting;
      if (done === true) note('tick', 'controllers', task.controllerId, field, task.new);
      // The latest of several values for one setting counts; ids may have been there twice.
      const key = `${String(task.controllerId)} ${field}`;
      if (settings.has(key)) return [];
      settings.add(key);
      return [{ ...task, id: `task-${i + 1}`, field }];
    })
    .reverse();
  for (const state of listOf(older, 'deviceStates'))
    for (const step of itemsOf(state.steps))
      note('deviceStep', 'controllers', state.controllerId, String(step), true);
  for (const found of listOf(older, 'found'))
    note('found', 'controllers', found.controllerId, String(found.where), found);
  const props = Array.isArray(older.props)
    ? older.props.map((prop: unknown) => {
        if (!isObject(prop) || !('ticks' in prop)) return prop;
        const { ticks, ...rest } = prop;
        for (const tick of itemsOf(ticks)) note('tick', 'props', prop.id, `step.${String(tick)}`, true);
        return rest;
      })
    : older.props;
  // The latest fact counts, and those of the latest tasks were noted first.
  return {
    ...show,
    version: 2,
    props,
    controllerTypes: older.controllerTypes ?? [],
    tasks,
    facts: facts.reverse(),
  };
}

/** Sources in version 2 that the product itself had written. */
const SHIPPED_SOURCES: ReadonlySet<string> = new Set([
  'usual for this class; the manual of yours decides',
  'usual for differential receivers on network cable',
  'Fast Ethernet',
  'Wi-Fi in a garden, unicast; multicast carries far less',
  'needs a gigabit link, straight to the sender',
  'a tile reads one universe',
  'net, sub-net and universe are set on its menu',
  'usual for panels of 64 × 32; the manual of the hat decides',
  'usual for panels of 64 × 32; the manual of the card decides',
]);

/** A limit of version 2 said its source, and nothing of its basis. */
function figureOf(value: unknown, said: unknown): Older {
  const words = typeof said === 'string' ? said.trim() : '';
  const basis = SHIPPED_SOURCES.has(words) ? 'default' : words === 'measured' ? 'measured' : 'typed';
  // That it is a usual figure is said by the basis now.
  const source = basis === 'default' ? words.replace(/^usual for /, '') : words;
  return { value, basis, ...(source === '' || source === 'measured' ? {} : { source }) };
}

/** Amps at full white of the panels that version 2 shipped. */
const SHIPPED_AMPS: Record<string, number> = {
  'P5, 64 × 32': 4,
  'P10 outdoor, 32 × 16': 3.5,
  'P4, 64 × 32': 3,
  'P3, 64 × 64': 4,
  'P2.5, 64 × 64': 4,
};

/** Version 2 kept limits as a value with a source beside it, and amps of panels without any. */
function limitsBecomeFigures(older: Older): Older {
  const isLimit = (value: unknown): value is Older =>
    isObject(value) && 'value' in value && 'source' in value && !('basis' in value);
  return {
    ...older,
    version: 3,
    controllerTypes: listOf(older, 'controllerTypes').map((type) =>
      Object.fromEntries(
        Object.entries(type).map(([field, value]) => [
          field,
          isLimit(value) ? figureOf(value.value, value.source) : value,
        ]),
      ),
    ),
    props: Array.isArray(older.props)
      ? older.props.map((prop: unknown) =>
          isObject(prop) && prop.kind === 'wall' ? wallWithFigures(prop) : prop,
        )
      : older.props,
  };
}

function wallWithFigures(prop: Older): Older {
  const { shape, threading } = prop;
  const panel = isObject(shape) ? shape.panel : null;
  const driver = isObject(threading) ? threading.driver : null;
  const amps = isObject(panel) ? panel.ampsFullWhite : null;
  const isShipped = isObject(panel) && same(SHIPPED_AMPS[String(panel.name)], amps);
  return {
    ...prop,
    ...(isObject(panel) && typeof amps === 'number'
      ? {
          shape: {
            ...(shape as Older),
            panel: { ...panel, ampsFullWhite: { value: amps, basis: isShipped ? 'default' : 'typed' } },
          },
        }
      : {}),
    ...(isObject(driver) && typeof driver.mostPanelsPerOutput === 'number'
      ? { threading: { ...(threading as Older), driver: driverWithFigure(driver) } }
      : {}),
  };
}

function driverWithFigure({ limitSource, mostPanelsPerOutput, ...driver }: Older): Older {
  return { ...driver, mostPanelsPerOutput: figureOf(mostPanelsPerOutput, limitSource) };
}

/**
 * Version 3 kept two colour orders of a wall, one of its pixel type and one of its panels, and took the first for the sender's. It
 * counted bare holes of a tree by the distance of its pixels.
 */
function ordersAndHoles(older: Older): Older {
  const orders = new Map(listOf(older, 'pixelTypes').map((type) => [type.id, type.colourOrder]));
  const atSender = new Set<unknown>();
  const props = itemsOf(older.props).map((prop) => {
    if (!isObject(prop) || !isObject(prop.shape)) return prop;
    if (prop.kind === 'tree') {
      const { spacingMm, ...shape } = prop.shape;
      return { ...prop, shape: { ...shape, holePitchMm: spacingMm, everyHole: 1 } };
    }
    const { panel } = prop.shape;
    const order = orders.get(prop.pixelTypeId);
    const isSenders = typeof order === 'string' && order.length === 3 && order !== 'RGB';
    if (prop.kind !== 'wall' || !isObject(panel) || panel.colourOrder !== 'RGB' || !isSenders) return prop;
    atSender.add(prop.id);
    return { ...prop, shape: { ...prop.shape, panel: { ...panel, colourOrder: order } } };
  });
  const devices = new Set(
    listOf(older, 'patch').flatMap((entry) => (atSender.has(entry.propId) ? [entry.controllerId] : [])),
  );
  const controllers = Array.isArray(older.controllers)
    ? itemsOf(older.controllers).map((controller) =>
        isObject(controller) && devices.has(controller.id)
          ? { ...controller, coloursAt: 'sender' }
          : controller,
      )
    : older.controllers;
  return { ...older, version: 4, ...(Array.isArray(older.props) && { props }), controllers };
}

/** Version 4 said nothing of power. */
function powerIsPlanned(older: Older): Older {
  return { ...older, version: 5, supplies: [], feeds: [], cuts: [] };
}

/** Version 5 knew no joints wire by wire. */
function jointsAreKept(older: Older): Older {
  return { ...older, version: 6, joints: [] };
}

const FACINGS: Record<string, string> = { north: 'nose', east: 'right', south: 'tail', west: 'left' };

/** Version 6 said where the pixels of a craft face by the points of the compass. */
function facingsAreOfTheCraft(older: Older): Older {
  const props = itemsOf(older.props).map((prop) => {
    if (!isObject(prop) || prop.kind !== 'craft' || !isObject(prop.shape)) return prop;
    if (!Array.isArray(prop.shape.pixels)) return prop;
    const pixels = itemsOf(prop.shape.pixels).map((pixel) =>
      isObject(pixel) ? { ...pixel, facing: FACINGS[String(pixel.facing)] ?? pixel.facing } : pixel,
    );
    return { ...prop, shape: { ...prop.shape, pixels } };
  });
  return { ...older, version: 7, ...(Array.isArray(older.props) && { props }) };
}

/** Version 7 gave universes to receiver cards and serial lines; `keptAddresses` holds the addresses of the others where they were. */
function linksHaveNoUniverses(older: Older): Older {
  return { ...older, version: 8 };
}

/** The items of what should be a list; none of anything else. */
function itemsOf(value: unknown): readonly unknown[] {
  return Array.isArray(value) ? value : [];
}
