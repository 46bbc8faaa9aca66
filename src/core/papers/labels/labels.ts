import { portName, type Controller } from '../../catalogue/controller';
import { linkOf, linkWords } from '../../catalogue/link';
import type { Show } from '../../show/schema';
import { countOf } from '../../units/number';
import { placeName } from '../../panels/chains';
import { portWords } from '../../devices/portWords';
import { portsOfController } from '../../plan/planIndex';
import type { Plan } from '../../plan/planned';
import { runName } from '../../plan/runName';
import { endWords, sourceWords } from '../../power/leadWords';
import { wallOf, isPanelled } from '../../props/registry';
import { buildSheet } from '../buildSheet';
import { codeOfThing, type LabelledThing } from './code';
import type { Label } from '../../pages/label';
import { itemAt, lastOf } from '../../units/there';
import { propAt, plannedAt, runAt, controllerAt } from '../../plan/records';

export const LABEL_KINDS = ['strands', 'plugs', 'panels', 'ports', 'leads', 'devices'] as const;
export type LabelKind = (typeof LABEL_KINDS)[number];

export const LABEL_WORDS: Record<LabelKind, string> = {
  strands: 'strands',
  plugs: 'plugs at both ends of runs',
  panels: 'panels',
  ports: 'ports',
  leads: 'power leads, both ends',
  devices: 'devices and supplies',
};

/** A label with the thing that it is stuck to. */
export interface LabelOfThing extends Omit<Label, 'link'> {
  thing: LabelledThing;
}

const label = (
  thing: LabelledThing,
  name: string,
  words: string,
  arrow: Label['arrow'] = null,
): LabelOfThing => ({ thing, name, words, arrow, code: codeOfThing(thing) });

/** Every label of a kind, each made when it is asked for. @param only of this prop; left out, of all */
export function* labelsOf(plan: Plan, kind: LabelKind, only?: string): Generator<LabelOfThing> {
  const { show } = plan;
  const props = show.props.flatMap((prop, index) =>
    only === undefined || prop.id === only ? [{ prop, index }] : [],
  );
  switch (kind) {
    case 'strands':
      for (const { prop, index } of props) if (!isPanelled(prop)) yield* strandLabels(plan, index);
      return;
    case 'plugs':
      for (const { index } of props) yield* plugLabels(plan, index);
      return;
    case 'panels':
      for (const { prop } of props) {
        const laid = wallOf(prop);
        if (!laid) continue;
        const { chains, cards, wall } = laid;
        const seen = new Set<string>();
        for (const chain of chains)
          for (const [place, panel] of chain.panels.entries()) {
            // A panel that is on two chains by mistake is one panel.
            const cell = `${panel.row} ${panel.column}`;
            if (seen.has(cell)) continue;
            seen.add(cell);
            const name = placeName(chain, place, cards.length);
            yield label(
              { list: 'props', recordId: prop.id, part: `panel ${panel.row + 1}.${panel.column + 1}` },
              name,
              `${prop.name}, SEEN FROM THE BACK: row ${panel.row + 1}, column ${wall.columns - panel.column} from the left; the arrow of the panel points so`,
              // Labels are stuck to the back.
              (['up', 'left', 'down', 'right'] as const)[panel.turnDeg / 90]!,
            );
          }
      }
      return;
    case 'ports':
      for (const [index, controller] of show.controllers.entries())
        for (const port of portsOfController(plan, index)) {
          const typed = portWords(plan, index, port.port);
          yield label(
            { list: 'controllers', recordId: controller.id, part: `port ${port.port}` },
            portName(controller, port.port),
            `${controller.name}: ${port.runs.map((run) => runName(plan, run)).join(', ')}. ${[typed?.pixels, typed?.start].filter(Boolean).join(', ')}`,
          );
        }
      return;
    case 'leads':
      for (const feed of show.feeds) {
        const fuse = feed.groundOnly
          ? 'ground alone'
          : feed.fuseAmps === undefined
            ? 'NO FUSE YET'
            : `fuse ${feed.fuseAmps} A`;
        const last = lastOf(feed.pieces);
        yield label(
          { list: 'feeds', recordId: feed.id, part: 'source' },
          feed.name,
          `At ${sourceWords(show, feed)}, ${fuse}. To ${endWords(show, last.to)}`,
          'right',
        );
        yield label(
          { list: 'feeds', recordId: feed.id, part: 'end' },
          feed.name,
          `At ${endWords(show, last.to)}. From ${sourceWords(show, feed)}, ${fuse}`,
          'left',
        );
      }
      return;
    case 'devices':
      for (const controller of show.controllers)
        yield label(
          { list: 'controllers', recordId: controller.id, part: '' },
          `${controller.label}: ${controller.name}`,
          [addressWords(show, controller), countOf(controller.ports, 'port')].join(', '),
        );
      for (const supply of show.supplies)
        yield label(
          { list: 'supplies', recordId: supply.id, part: '' },
          supply.name,
          `${supply.volts} V, ${supply.ratedAmps.value} A. ${show.feeds.filter(({ from }) => from.kind === 'supply' && from.supplyId === supply.id).length} leads`,
        );
  }
}

/** The address of a controller, or what it has in place of one. */
function addressWords(show: Show, controller: Controller): string {
  if (linkOf(show, controller) === 'network') return controller.network?.ip ?? 'no address yet';
  return linkWords(show, controller);
}

const WAYS: readonly string[] = ['up', 'down', 'left', 'right'];

function* strandLabels(plan: Plan, index: number): Generator<LabelOfThing> {
  const prop = propAt(plan, index);
  const { strandWord, lines } = buildSheet(plan, index, 'front');
  for (const line of lines)
    yield label(
      { list: 'props', recordId: prop.id, part: `strand ${line.strand}` },
      `${strandWord} ${line.strand}`,
      `${prop.name}, seen from the front. Data enters at the ${line.dataIn}: ${line.dataInEnd.words}. ${line.pixelCount} px${line.port ? `, ${line.port} from ${line.firstPlace}` : ''}${line.address ? `, ${line.address}` : ''}`,
      WAYS.includes(line.direction) ? (line.direction as Label['arrow']) : null,
    );
}

function* plugLabels(plan: Plan, index: number): Generator<LabelOfThing> {
  const prop = propAt(plan, index);
  const { firstRun, runCount } = plannedAt(plan, index);
  for (let i = firstRun; i < firstRun + runCount; i += 1) {
    const run = runAt(plan, i);
    const { wire } = run;
    const port = wire ? portName(controllerAt(plan, wire.controller), wire.port) : null;
    // A port is told one start and one count: those of its first run stand for all behind it.
    const typed = wire && portWords(plan, wire.controller, wire.port);
    const onPort = wire
      ? (portsOfController(plan, wire.controller).find((each) => each.port === wire.port)?.runs ?? [])
      : [];
    const at = onPort.indexOf(i);
    const begins =
      at > 0
        ? `, behind ${runName(plan, itemAt(onPort, at - 1))}`
        : typed
          ? `. ${[typed.pixels, typed.start && `from ${typed.start}`].filter(Boolean).join(', ')}`
          : '';
    const ends =
      at < onPort.length - 1
        ? `, then ${runName(plan, itemAt(onPort, at + 1))}`
        : typed?.end
          ? `, to ${typed.end}`
          : '';
    yield label(
      { list: 'props', recordId: prop.id, part: `run ${run.number} in` },
      `${port ?? 'no port'} IN`,
      `${runName(plan, i)}: data enters${begins}`,
      'right',
    );
    yield label(
      { list: 'props', recordId: prop.id, part: `run ${run.number} out` },
      `${port ?? 'no port'} END`,
      `${runName(plan, i)}: its end${ends}`,
      'left',
    );
  }
}

/** Every label that has a code; two at the most have the same one, and that hardly ever. */
export function labelsWithCode(plan: Plan, code: string): LabelOfThing[] {
  const found: LabelOfThing[] = [];
  for (const kind of LABEL_KINDS)
    for (const each of labelsOf(plan, kind)) if (each.code === code) found.push(each);
  return found;
}
