import { portName } from '../catalogue/controller';
import type { Feed, FeedEnd } from '../catalogue/feed';
import type { Show } from '../show/schema';
import { groupDigits } from '../units/number';
import { byId } from '../units/there';

/** The source of a feed: `Supply 1`, `port A3`. */
export function sourceWords(show: Show, { from }: Feed): string {
  if (from.kind === 'supply') return byId(show.supplies, from.supplyId).name;
  return `port ${portName(byId(show.controllers, from.controllerId), from.port)}`;
}

/** The end of a piece: `Net curtain run 1, pixel 280`, `Score wall, panel 2 across, 1 down`, `Pier box`. */
export function endWords(show: Show, end: FeedEnd): string {
  if (end.kind === 'controller') return byId(show.controllers, end.controllerId).name;
  const { name } = byId(show.props, end.propId);
  return end.kind === 'pixel'
    ? `${name} run ${end.run}, pixel\u00a0${groupDigits(end.pixel)}`
    : `${name}, panel ${end.column} across, ${end.row} down`;
}
