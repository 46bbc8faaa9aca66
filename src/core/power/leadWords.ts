import { portName } from '../catalogue/controller';
import type { Feed, FeedEnd } from '../catalogue/feed';
import type { Show } from '../show/schema';
import { groupDigits } from '../units/number';

/** Where a lead comes from: `Supply 1`, `port A3`. */
export function sourceWords(show: Show, { from }: Feed): string {
  if (from.kind === 'supply') return show.supplies.find((each) => each.id === from.supplyId)!.name;
  return `port ${portName(
    show.controllers.find((each) => each.id === from.controllerId)!,
    from.port,
  )}`;
}

/** Where a piece ends: `Net curtain run 1, pixel 280`, `Score wall, panel 2 across, 1 down`, `Pier box`. */
export function endWords(show: Show, end: FeedEnd): string {
  if (end.kind === 'controller') return show.controllers.find((each) => each.id === end.controllerId)!.name;
  const { name } = show.props.find((each) => each.id === end.propId)!;
  return end.kind === 'pixel'
    ? `${name} run ${end.run}, pixel\u00a0${groupDigits(end.pixel)}`
    : `${name}, panel ${end.column} across, ${end.row} down`;
}
