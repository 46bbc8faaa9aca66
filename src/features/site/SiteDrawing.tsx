import { useMemo } from 'react';
import type { Plan } from '@/core/plan/planned';
import { endsOfLead, type Lead } from '@/core/answers/site';
import type { Site } from '@/core/show/siteSchema';
import { formatLength } from '@/core/units/length';
import type { OnScreen } from '@/ui/picture/Board';
import { photoUrl } from '../show/photos';
import { sampleOf, type SiteItem, type SitePlacing } from './items';
import styles from './SitePlan.module.css';
import { controllerAt } from '@/core/plan/records';

/** Dots of all props together, shared out among them; a drawing of more is slow to drag. */
const MOST_DOTS = 3000;
const GRID_MM = [100, 500, 1000, 5000, 10_000, 50_000, 100_000, 1_000_000];

interface SiteDrawingProps {
  plan: Plan;
  site: Site;
  items: readonly SiteItem[];
  leads: readonly Lead[];
  screen: OnScreen;
  chosenKey: string | null;
  dragged: { key: string; place: SitePlacing } | null;
  scale: readonly { xMm: number; yMm: number }[] | null;
}

export function SiteDrawing({
  plan,
  site,
  items,
  leads,
  screen,
  chosenKey,
  dragged,
  scale,
}: SiteDrawingProps) {
  const placeOf = (item: SiteItem) => (dragged?.key === item.key ? dragged.place : item.place);
  const placed = items.filter((item) => item.place);
  const most = Math.max(12, Math.floor(MOST_DOTS / Math.max(1, placed.length)));
  // The places of dots hold until the plan changes; a drag moves the whole prop.
  const samples = useMemo(
    () =>
      new Map(
        items.flatMap((item) =>
          item.place && item.kind === 'prop'
            ? [[item.key, sampleOf(plan, item.index, item.place, most)]]
            : [],
        ),
      ),
    [plan, items, most],
  );
  const labels = drawnLabels({
    plan,
    items: placed,
    leads: dragged ? [] : leads,
    screen,
    chosenKey,
    samples,
    placeOf,
  });
  return (
    <>
      <Ground plan={plan} site={site} screen={screen} />
      {!dragged && leads.map((lead) => <LeadLine key={lead.run} plan={plan} lead={lead} screen={screen} />)}
      {placed.map((item) => (
        <Placed
          key={item.key}
          plan={plan}
          item={item}
          place={placeOf(item)!}
          samples={samples.get(item.key) ?? []}
          screen={screen}
          isChosen={item.key === chosenKey}
        />
      ))}
      {labels.map((label) => (
        <text
          key={label.key}
          className={label.key.startsWith('lead') ? styles.length : styles.name}
          x={label.x}
          y={label.y}
        >
          {label.words}
        </text>
      ))}
      {scale && scale.length > 0 && (
        <path
          className={styles.mark}
          d={`M${scale.map((end) => `${screen.x(end.xMm)} ${screen.y(end.yMm)}`).join('L')}`}
          strokeLinecap="round"
          strokeWidth={4}
        />
      )}
    </>
  );
}

function LeadLine({ plan, lead, screen }: { plan: Plan; lead: Lead; screen: OnScreen }) {
  const ends = endsOfLead(plan, lead);
  if (!ends) return null;
  return (
    <line
      className={styles.lead}
      x1={screen.x(ends.from.xMm)}
      y1={screen.y(ends.from.yMm)}
      x2={screen.x(ends.to.xMm)}
      y2={screen.y(ends.to.yMm)}
    />
  );
}

interface Label {
  key: string;
  words: string;
  x: number;
  y: number;
}

const STEPS_UP_PX = [0, 17, -17, 34, -34];

/** Labels that cover neither one another nor a controller; that of the chosen thing always. More appear when zoomed in. */
function placeLabels(
  labels: readonly Label[],
  controllers: readonly { x: number; y: number }[],
  chosenKey: string | null,
): Label[] {
  const boxes = controllers.map(({ x, y }) => [x - 16, y - 14, x + 16, y + 14] as const);
  const kept: Label[] = [];
  for (const label of [...labels].sort((a, b) => Number(b.key === chosenKey) - Number(a.key === chosenKey))) {
    const half = label.words.length * 3.4 + 4;
    const boxAt = (up: number) =>
      [label.x - half, label.y - 14 - up, label.x + half, label.y + 4 - up] as const;
    const isFree = (box: ReturnType<typeof boxAt>) =>
      boxes.every(
        ([left, top, right, bottom]) => box[2] < left || box[0] > right || box[3] < top || box[1] > bottom,
      );
    // A label whose place is taken stands a line or two further up or down.
    const up = STEPS_UP_PX.find((step) => isFree(boxAt(step)));
    if (up === undefined && label.key !== chosenKey) continue;
    boxes.push(boxAt(up ?? 0));
    kept.push({ ...label, y: label.y - (up ?? 0) });
  }
  return kept;
}

/** The ground with its photo and a grid whose squares are a round length. */
function Ground({ plan, site, screen }: Pick<SiteDrawingProps, 'plan' | 'site' | 'screen'>) {
  const gridMm = GRID_MM.find((step) => step * screen.pxPerMm > 40) ?? 1_000_000;
  const lines = (size: number) =>
    Array.from({ length: Math.floor(size / gridMm) }, (_, i) => (i + 1) * gridMm);
  const { backdrop } = site;
  return (
    <>
      <rect
        className={styles.ground}
        x={screen.x(0)}
        y={screen.y(site.heightMm)}
        width={site.widthMm * screen.pxPerMm}
        height={site.heightMm * screen.pxPerMm}
      />
      {backdrop && (
        <image
          href={photoUrl(backdrop.photoId)}
          x={screen.x(backdrop.leftMm)}
          y={screen.y(backdrop.bottomMm + backdrop.widthMm * backdrop.aspect)}
          width={backdrop.widthMm * screen.pxPerMm}
          height={backdrop.widthMm * backdrop.aspect * screen.pxPerMm}
          preserveAspectRatio="none"
          opacity={0.6}
        />
      )}
      {lines(site.widthMm).map((x) => (
        <line
          key={`x${x}`}
          className={styles.grid}
          x1={screen.x(x)}
          x2={screen.x(x)}
          y1={screen.y(0)}
          y2={screen.y(site.heightMm)}
        />
      ))}
      {lines(site.heightMm).map((y) => (
        <line
          key={`y${y}`}
          className={styles.grid}
          x1={screen.x(0)}
          x2={screen.x(site.widthMm)}
          y1={screen.y(y)}
          y2={screen.y(y)}
        />
      ))}
      <text className={styles.length} x={screen.x(0) + 60} y={screen.y(0) - 8}>
        {formatLength(gridMm, plan.show.lengths)} a square
      </text>
    </>
  );
}

type Spots = readonly { xMm: number; yMm: number }[];

interface DrawnLabelsOf extends Pick<SiteDrawingProps, 'plan' | 'leads' | 'screen' | 'chosenKey'> {
  /** That are on the drawing. */
  items: readonly SiteItem[];
  samples: ReadonlyMap<string, Spots>;
  placeOf: (item: SiteItem) => SitePlacing | null;
}

/** Names of props and lengths of leads, where they cover nothing. */
function drawnLabels({ plan, items: placed, leads, screen, chosenKey, samples, placeOf }: DrawnLabelsOf) {
  /** Above the topmost dot of a prop, where its name stands. */
  const topOf = (item: SiteItem) => {
    const place = placeOf(item)!;
    const dy = place.yMm - item.place!.yMm;
    const top = (samples.get(item.key) ?? []).reduce((most, spot) => Math.max(most, spot.yMm), -Infinity);
    return screen.y(Number.isFinite(top) ? top + dy : place.yMm) - 7;
  };
  return placeLabels(
    [
      ...placed.flatMap((item) =>
        item.kind === 'prop'
          ? [{ key: item.key, words: item.name, x: screen.x(placeOf(item)!.xMm), y: topOf(item) }]
          : [],
      ),
      ...leads.flatMap((lead) => {
        const ends = endsOfLead(plan, lead);
        if (!ends || lead.cable === null) return [];
        const [x1, y1] = [screen.x(ends.from.xMm), screen.y(ends.from.yMm)];
        const [x2, y2] = [screen.x(ends.to.xMm), screen.y(ends.to.yMm)];
        return [
          {
            key: `lead ${lead.run}`,
            words: formatLength(lead.cable.value, plan.show.lengths),
            x: (x1 + x2) / 2,
            y: (y1 + y2) / 2,
          },
        ];
      }),
    ],
    placed.flatMap((item) =>
      item.kind === 'controller' ? [{ x: screen.x(item.place!.xMm), y: screen.y(item.place!.yMm) }] : [],
    ),
    chosenKey,
  );
}

interface PlacedProps {
  plan: Plan;
  item: SiteItem;
  /** Its place in the drawing, which is elsewhere while it is dragged. */
  place: SitePlacing;
  samples: Spots;
  screen: OnScreen;
  isChosen: boolean;
}

function Placed({ plan, item, place, samples, screen, isChosen }: PlacedProps) {
  const [x, y] = [screen.x(place.xMm), screen.y(place.yMm)];
  if (item.kind === 'controller') {
    const { label } = controllerAt(plan, item.index);
    return (
      <g className={styles.controller} data-chosen={isChosen}>
        <rect x={x - 13} y={y - 11} width={26} height={22} rx={4} />
        <text x={x} y={y + 4.5}>
          {label}
        </text>
      </g>
    );
  }
  const [dx, dy] = [place.xMm - item.place!.xMm, place.yMm - item.place!.yMm];
  const half = (item.sizeMm / 2) * screen.pxPerMm;
  return (
    <g className={styles.prop} data-chosen={isChosen}>
      <title>{item.name}</title>
      <circle className={styles.outline} cx={x} cy={y} r={Math.max(10, half + 6)} />
      {samples.map((spot, i) => (
        <circle
          key={i}
          className={styles.dot}
          cx={screen.x(spot.xMm + dx)}
          cy={screen.y(spot.yMm + dy)}
          r={1.6}
        />
      ))}
    </g>
  );
}
