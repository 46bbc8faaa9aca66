import { labelFormatOf, labelFormatWords } from '../../catalogue/paper';
import type { Plan } from '../../plan/planned';
import { isPanelled } from '../../props/registry';
import { LABEL_KINDS, LABEL_WORDS, labelsOf, type LabelKind, type LabelOfThing } from '../labels/labels';
import { linkOf } from '../links';
import type { Sheet, SheetsAsked } from '../../pages/sheet';
import { labelsTable } from '../tables/labels';
import { tableSheet } from './make';

/** Sheets of labels: of all things of a kind, and of the strands, plugs and panels of one prop. */
export function labelSheets(plan: Plan, asked: SheetsAsked): Sheet[] {
  const { show } = plan;
  const hasWalls = show.props.some((prop) => isPanelled(prop));
  const hasStrands = show.props.some((prop) => !isPanelled(prop));
  const has: Record<LabelKind, boolean> = {
    strands: hasStrands,
    plugs: show.props.length > 0,
    panels: hasWalls,
    ports: plan.ports.length > 0,
    leads: show.feeds.length > 0,
    devices: show.controllers.length + show.supplies.length > 0,
  };
  return [
    ...LABEL_KINDS.filter((kind) => has[kind]).map((kind) => sheetOf(plan, asked, kind)),
    ...show.props.flatMap((prop) => {
      const kinds: LabelKind[] = [isPanelled(prop) ? 'panels' : 'strands', 'plugs'];
      return kinds.map((kind) => sheetOf(plan, asked, kind, prop));
    }),
  ];
}

function sheetOf(
  plan: Plan,
  asked: SheetsAsked,
  kind: LabelKind,
  prop?: { id: string; name: string },
): Sheet {
  const format = labelFormatOf(plan.show.papers);
  const labels = (): LabelOfThing[] => [...labelsOf(plan, kind, prop?.id)];
  const link = (label: LabelOfThing) => linkOf(plan.show, asked, `code=${label.code}`);
  return tableSheet({
    id: prop ? `labels-${kind}.${prop.id}` : `labels-${kind}`,
    name: `${prop ? `${prop.name}: labels` : 'Labels'} for ${LABEL_WORDS[kind]}, ${labelFormatWords(format)}`,
    group: 'labels',
    about: prop ? { kind: 'prop', propId: prop.id } : { kind: 'show' },
    table: () => labelsTable(LABEL_WORDS[kind], labels(), link),
    blocks: () => [
      { is: 'labels', labels: { format, labels: labels().map((each) => ({ ...each, link: link(each) })) } },
    ],
  });
}
