import { exchangeWords, sameColours } from '../../colours/order';
import { colourPlan, type ColourPlan } from '../colourOrders';
import type { PortBasis } from './basis';
import type { FoundAt, PortHeld, Wrong } from './setting';
import { colourOrders } from './values';
import { itemAt } from '../../units/there';

export const colourOrder: PortHeld<'colourOrder', string, string | null> = {
  field: 'colourOrder',
  words: 'colour order',
  meaning: 'to set on the device',
  head: 'Colour order',
  unit: 'to set',
  isKept: true,
  // A tile knows its own chips.
  planned: (basis) => (basis.port.isTile ? null : ordersOf(basis).join(' + ')),
  values: colourOrders,
  heads: /^(colou?r(\s*order)?|order|rgb)$/i,
  plannedAt: (basis, where) => {
    if (basis.port.isTile) return null;
    const [first, ...others] = plansOf(basis);
    const isOne = first!.chips.length === 1 && others.every(({ chips }) => chips[0] === first!.chips[0]);
    return isOne ? first![where] : null;
  },
  whenWrong,
  simulate: (port, value) => ({
    ...port,
    segments: port.segments.map((segment) => ({ ...segment, colourOrder: value })),
  }),
};

const plansOf = ({ plan, port }: PortBasis): ColourPlan[] => port.runs.map((run) => colourPlan(plan, run));

/** The orders that its controller is told; several where its chips differ, which one setting cannot tell. */
function ordersOf(basis: PortBasis): string[] {
  const orders = plansOf(basis).flatMap(({ chips, controller, correctedAt }) =>
    // Chips that differ within a run can be told only where the controller is told.
    correctedAt === 'controller' ? chips : [controller],
  );
  return [...new Set(orders)];
}

function whenWrong({ basis, planned, found, where, side }: Wrong<string, PortBasis>) {
  const { chips, controller, sender } = itemAt(plansOf(basis), 0);
  const [atController, atSender] = where === 'controller' ? [found, sender] : [controller, found];
  const other: FoundAt = where === 'controller' ? 'sender' : 'controller';
  const symptom = sameColours(found, planned)
    ? exchangeWords(itemAt(chips, 0), atController, atSender) || `nothing while the ${other} is as planned`
    : found.length < planned.length
      ? 'RGB on RGBW pixels: the pattern repeats every 3 lights, and a quarter stays dark'
      : 'RGBW on RGB pixels: the pattern repeats every 4 lights';
  const otherOrder = where === 'controller' ? sender : controller;
  return { symptom, mend: `set ${planned} on ${side}; the ${other} is to be at ${otherOrder}` };
}
