import { FUSE_SHARE, fuseFor } from '../catalogue/fuse';
import { WIRE_SIZES } from '../catalogue/wire';
import { connectorKind } from '../catalogue/connector';
import type { Feed } from '../catalogue/feed';
import type { Plan } from '../plan/planned';
import { hotPart } from '../power/hotPart';
import { endWords, sourceWords } from '../power/leadWords';
import { reportOf, standingReports, type FedLead } from '../power/report';
import { FULL_WHITE } from '../power/shown';
import { solveTried } from '../power/solvePower';
import { formatAmps } from '../units/electric';
import { defineCheck, type Finding, type Mend } from './check';
import { itemAt } from '../units/there';

export const leadFuses = defineCheck(
  'lead-fuses',
  'Every lead has a fuse at its source that carries its load at full white and protects its weakest part.',
  (plan) => standingReports(plan).worst.leads.flatMap((lead) => ofLead(plan, lead)),
);

function ofLead(plan: Plan, lead: FedLead): Omit<Finding, 'check'>[] {
  const { show } = plan;
  const feed = itemAt(show.feeds, lead.feed);
  const { to } = itemAt(feed.pieces, 0);
  const name = `${feed.name} from ${sourceWords(show, feed)} to ${endWords(show, to)}`;
  const amps = Math.abs(lead.amps);
  const { weakest, fuse } = lead;
  const about = {
    rank: 'canBurn' as const,
    stage: 'power' as const,
    ...(to.kind === 'controller' ? { controllerId: to.controllerId } : { propId: to.propId }),
  };
  const ofPort = portFuseOf(plan, feed);
  const fuseAmps = feed.fuseAmps ?? ofPort;
  const whose = feed.fuseAmps === undefined ? 'the port’s' : 'its';
  const hot = hotPart(show, feed, lead);
  if (hot !== null)
    return [
      {
        ...about,
        message: `${name}: at full white ${hot}. It gets hot. A thicker lead, a second one, or a limiter in the device. Local codes decide.`,
        mends: thicker(plan, lead),
      },
    ];
  if (feed.groundOnly) return [];
  if (fuse === null)
    return [{ ...about, message: `${name}: ${noFuseWords(amps, lead)}`, mends: thicker(plan, lead) }];
  const fit: Mend = {
    label: `Take ${fuse} A`,
    edit: { type: 'changeFeed', feedId: feed.id, change: { fuseAmps: fuse } },
  };
  if (fuseAmps === undefined)
    return [
      {
        ...about,
        message: `${name} has no fuse. A short in it starts a fire; ${fuse} A fits, at its source.`,
        mends: [fit],
      },
    ];
  if (fuseAmps > weakest.amps)
    return [
      {
        ...about,
        message: `${name}: ${whose} fuse of ${fuseAmps} A does not protect it, since ${weakest.words} carries ${weakest.amps} A. ${fuse} A fits.`,
        mends: [fit],
      },
    ];
  // The fuse of a port is held against the load of the port.
  if (feed.fuseAmps !== undefined && amps > feed.fuseAmps * FUSE_SHARE + 1e-9)
    return [
      {
        ...about,
        // The fuse opens before anything else takes harm.
        rank: amps > feed.fuseAmps ? 'willNotLight' : 'worthKnowing',
        message: `${name}: ${formatAmps(amps)} flow in it at full white, and a fuse of ${feed.fuseAmps} A carries ${formatAmps(feed.fuseAmps * FUSE_SHARE)} for hours. ${fuse} A fits.`,
        mends: [fit],
      },
    ];
  return [];
}

/** The reason why no fuse fits a lead whose pieces carry their loads each: one fuse protects all of them. */
function noFuseWords(amps: number, { weakest }: FedLead): string {
  const reason =
    amps > weakest.amps
      ? ', though less flows there: the fuse that it wants does not protect its thin piece'
      : ': no usual fuse is large enough for the one and small enough for the other';
  return `${formatAmps(amps)} flow in it at full white, and ${weakest.words} carries ${weakest.amps} A${reason}. A thicker lead, a second one, or a limiter in the device. Local codes decide.`;
}

/** The fuse of the port that a lead begins at; undefined where the port has none, and at a supply. */
function portFuseOf({ show }: Plan, { from }: Feed): number | undefined {
  if (from.kind !== 'port') return undefined;
  return show.controllers.find(({ id }) => id === from.controllerId)?.power?.portFuseAmps?.value;
}

/** The next size of wire that takes the load, and a fuse for it, where the wire is what is weakest. A thicker one takes more current, so each is tried. */
function thicker(plan: Plan, lead: FedLead): Mend[] {
  const { show } = plan;
  const feed = itemAt(show.feeds, lead.feed);
  const most = feed.connector === undefined ? Infinity : connectorKind(feed.connector).amps;
  const suited = WIRE_SIZES.filter(
    ({ id, amps }) => !id.endsWith('solid') && fuseFor(Math.abs(lead.amps), Math.min(amps, most)) !== null,
  );
  for (const size of suited) {
    const pieces = feed.pieces.map((piece) => ({ ...piece, wire: size.id }));
    const feeds = show.feeds.map((each) => (each === feed ? { ...feed, pieces } : each));
    const tried = { ...plan, show: { ...show, feeds } };
    const solved = solveTried(tried, (group) => group.feeds.includes(lead.feed), FULL_WHITE);
    const after = reportOf(tried, FULL_WHITE, solved).leads.find((each) => each.feed === lead.feed);
    if (!after || after.fuse === null || hotPart(tried.show, { ...feed, pieces }, after) !== null) continue;
    return [
      {
        label: `Take ${size.words} and ${after.fuse} A`,
        edit: { type: 'changeFeed', feedId: feed.id, change: { pieces, fuseAmps: after.fuse } },
      },
    ];
  }
  return [];
}
