import { connectorKind } from '../catalogue/connector';
import type { Feed } from '../catalogue/feed';
import { wireSize } from '../catalogue/wire';
import type { Show } from '../show/schema';
import { formatAmps } from '../units/electric';
import { itemAt } from '../units/there';
import { endWords } from './leadWords';
import { ROUNDING_AMPS } from './rails';
import type { FedLead } from './report';

/** The first part of a lead that carries more than it may, with what flows in it, plus and ground each; null where none does. */
export function hotPart(show: Show, feed: Feed, lead: FedLead): string | null {
  for (const { piece, amps, groundAmps, carriesAmps } of lead.pieces) {
    const most = Math.max(Math.abs(amps), groundAmps);
    if (most <= carriesAmps + ROUNDING_AMPS) continue;
    const { wire, to } = itemAt(feed.pieces, piece);
    const where = feed.pieces.length > 1 ? ` of its piece to ${endWords(show, to)}` : '';
    const conductor = groundAmps > Math.abs(amps) + ROUNDING_AMPS ? 'ground' : 'plus';
    return `${formatAmps(most)} flow in the ${conductor}${where}, and its wire of ${wireSize(wire).words} carries ${carriesAmps} A`;
  }
  if (feed.connector === undefined) return null;
  const { words, amps } = connectorKind(feed.connector);
  const most = Math.max(Math.abs(lead.amps), lead.pieces[0]?.groundAmps ?? 0);
  return most > amps + ROUNDING_AMPS
    ? `${formatAmps(most)} flow in it, and its ${words} carries ${amps} A`
    : null;
}
