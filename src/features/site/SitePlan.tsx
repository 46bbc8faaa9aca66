'use client';

import { leadsTable } from '@/core/papers/tables/leads';
import { Button, Popover, Select } from '@mantine/core';
import { IconAdjustments } from '@tabler/icons-react';
import { useMemo, useState } from 'react';
import type { Plan } from '@/core/plan/planned';
import { leadsOf } from '@/core/answers/site';
import { USUAL_SITE, type Site } from '@/core/show/siteSchema';
import { formatLength } from '@/core/units/length';
import { LengthField, WholeField } from '@/ui/fields/fields';
import { Hint, Row, Stack } from '@/ui/Panel';
import { arrowOf, isDelete } from '@/ui/picture/boardKeys';
import { Board } from '@/ui/picture/Board';
import { SheetTable } from '@/ui/SheetTable';
import { PhotoChooser } from '../show/PhotoChooser';
import { useEdit, useShow } from '../show/ShowProvider';
import { SiteDrawing } from './SiteDrawing';
import { itemsOf, placeEdit, samePlace, turned, type SiteItem, type SitePlacing } from './items';
import styles from './SitePlan.module.css';

const STEP_MM = 100;
const TURN_DEG = 15;

/** All props and controllers on a drawing of the site, and the cable from each port to its first pixel. */
export function SitePlan({ plan }: { plan: Plan }) {
  const edit = useEdit();
  // Places are those of the show as it is edited: keys pressed while a plan is made each go on from the one before.
  const show = useShow((state) => state.show);
  const site = show.site ?? USUAL_SITE;
  const items = useMemo(() => itemsOf(plan, show), [plan, show]);
  const leads = useMemo(() => leadsOf(plan), [plan]);
  const [chosenKey, setChosen] = useState<string | null>(null);
  const [dragged, setDragged] = useState<{ key: string; place: SitePlacing } | null>(null);
  /** Ends of a known length on the photo, while it is marked. */
  const [scale, setScale] = useState<{ xMm: number; yMm: number }[] | null>(null);
  const chosen = items.find((item) => item.key === chosenKey);
  const unplaced = items.filter((item) => item.place === null);
  const bounds = useMemo(
    () => ({ leftMm: 0, bottomMm: 0, rightMm: site.widthMm, topMm: site.heightMm }),
    [site.widthMm, site.heightMm],
  );
  const within = (place: SitePlacing): SitePlacing => ({
    ...place,
    xMm: Math.round(Math.min(Math.max(place.xMm, 0), site.widthMm)),
    yMm: Math.round(Math.min(Math.max(place.yMm, 0), site.heightMm)),
  });
  const put = (item: SiteItem, place: SitePlacing) => {
    const next = within(place);
    if (item.place && samePlace(item.place, next)) return;
    edit(placeEdit(item, next));
  };
  const itemAt = (xMm: number, yMm: number, reachMm: number) =>
    items
      .filter((item) => item.place && item.reachMm(xMm, yMm, reachMm))
      .sort((a, b) => a.sizeMm - b.sizeMm)[0];

  const tap = (xMm: number, yMm: number) => {
    if (scale) return setScale(scale.length >= 2 ? [{ xMm, yMm }] : [...scale, { xMm, yMm }]);
    if (chosen && chosen.place === null) return put(chosen, { xMm, yMm, turnDeg: 0 });
    setChosen(null);
  };
  const onKey = (key: string, shift: boolean) => {
    if (!chosen) return false;
    const place = chosen.place;
    const stepMm = shift ? 10 * STEP_MM : STEP_MM;
    const arrow = arrowOf(key);
    if (place && arrow)
      put(chosen, {
        ...place,
        xMm: place.xMm + arrow.right * stepMm,
        yMm: place.yMm + arrow.up * stepMm,
      });
    else if (place && (key === '[' || key === ']') && chosen.kind === 'prop')
      put(chosen, turned(place, key === '[' ? TURN_DEG : -TURN_DEG));
    else if (place && isDelete(key)) edit(placeEdit(chosen, null));
    else if (!place && key === 'Enter')
      put(chosen, { xMm: site.widthMm / 2, yMm: site.heightMm / 2, turnDeg: 0 });
    else if (key === 'Escape') setChosen(null);
    else return false;
    return true;
  };

  return (
    <div className={styles.site}>
      <div className={styles.head}>
        <div className={styles.tools}>
          <SiteSettings
            site={site}
            onChange={(next) => edit({ type: 'setSite', site: next })}
            onMark={() => setScale([])}
          />
          <ItemTools items={items} chosen={chosen} onChoose={setChosen} onPut={put} />
          {scale && (
            <MarkedLength
              ends={scale}
              onCancel={() => setScale(null)}
              onLength={(measuredMm, trueMm) => {
                const { backdrop } = site;
                if (backdrop)
                  edit({
                    type: 'setSite',
                    site: {
                      ...site,
                      backdrop: { ...backdrop, widthMm: (backdrop.widthMm * trueMm) / measuredMm },
                    },
                  });
                setScale(null);
              }}
            />
          )}
        </div>
        <Tray unplaced={unplaced} chosen={chosen} onChoose={setChosen} />
      </div>
      <div className={styles.board}>
        <Board
          bounds={bounds}
          fitKey={`${site.widthMm} ${site.heightMm}`}
          label={`Drawing of the site, ${formatLength(site.widthMm, show.lengths)} by ${formatLength(site.heightMm, show.lengths)}. Choose a prop above, then click where it is; Enter puts it in the middle.`}
          testId="site-plan"
          marginPx={18}
          onTap={tap}
          onKey={onKey}
          onDrag={(xMm, yMm) => {
            if (scale || (chosen && !chosen.place)) return undefined;
            const item = itemAt(xMm, yMm, site.widthMm / 80);
            if (!item?.place) return undefined;
            const from = item.place;
            const to = (x: number, y: number) =>
              within({ ...from, xMm: from.xMm + x - xMm, yMm: from.yMm + y - yMm });
            return {
              move: (x, y) => setDragged({ key: item.key, place: to(x, y) }),
              end: (x, y, moved) => {
                setDragged(null);
                setChosen(item.key);
                if (moved) put(item, to(x, y));
              },
              cancel: () => setDragged(null),
            };
          }}
        >
          {(screen) => (
            <SiteDrawing
              plan={plan}
              site={site}
              items={items}
              leads={leads}
              screen={screen}
              chosenKey={chosenKey}
              dragged={dragged}
              scale={scale}
            />
          )}
        </Board>
      </div>
      <div className={styles.leads}>
        <Hint>
          A buffered port drives a data lead of 3 to 5 m. Beyond that: repeater pixels every few metres, or a
          differential sender and receiver.
        </Hint>
        <SheetTable testId="leads" table={leadsTable(plan, leads)} />
      </div>
    </div>
  );
}

interface ItemToolsProps {
  items: readonly SiteItem[];
  chosen: SiteItem | undefined;
  onChoose: (key: string | null) => void;
  onPut: (item: SiteItem, place: SitePlacing) => void;
}

/** The thing that is chosen on the drawing, and what can be done with it. */
function ItemTools({ items, chosen, onChoose, onPut }: ItemToolsProps) {
  const edit = useEdit();
  return (
    <>
      <Select
        aria-label="Prop or controller"
        placeholder="Choose a prop or a controller"
        searchable
        clearable
        size="xs"
        w={230}
        value={chosen?.key ?? null}
        data={items.map((item) => ({
          value: item.key,
          label: item.place ? item.name : `${item.name} (not on the drawing)`,
        }))}
        onChange={onChoose}
      />
      {chosen?.place && (
        <>
          <Button variant="default" size="compact-md" onClick={() => edit(placeEdit(chosen, null))}>
            Take {chosen.name} off the drawing
          </Button>
          {chosen.kind === 'prop' && (
            <WholeField
              aria-label="Turned by, degrees"
              what="The turn"
              least={0}
              most={359}
              value={((Math.round(chosen.place.turnDeg) % 360) + 360) % 360}
              onCommit={(turnDeg) => onPut(chosen, { ...chosen.place!, turnDeg })}
              rightSection="°"
              size="xs"
              w={90}
            />
          )}
        </>
      )}
    </>
  );
}

/** More are counted. */
const MOST_UNPLACED = 24;

interface TrayProps {
  unplaced: readonly SiteItem[];
  chosen: SiteItem | undefined;
  onChoose: (key: string | null) => void;
}

/** Things that are not on the drawing yet; where all are, how they are moved. */
function Tray({ unplaced, chosen, onChoose }: TrayProps) {
  return (
    <div className={styles.tray}>
      {unplaced.length === 0 ? (
        'Drag to move, [ and ] turn, arrows move by 100 mm and with Shift by 1 m, Delete takes off the drawing.'
      ) : (
        <>
          <span>
            {chosen && !chosen.place ? `Click where ${chosen.name} is.` : 'Not on the drawing yet:'}
          </span>
          {unplaced.slice(0, MOST_UNPLACED).map((item) => (
            <Button
              key={item.key}
              size="compact-xs"
              variant={item.key === chosen?.key ? 'filled' : 'default'}
              onClick={() => onChoose(item.key === chosen?.key ? null : item.key)}
            >
              {item.name}
            </Button>
          ))}
          {unplaced.length > MOST_UNPLACED && <span>and {unplaced.length - MOST_UNPLACED} more</span>}
        </>
      )}
    </div>
  );
}

interface SiteSettingsProps {
  site: Site;
  onChange: (site: Site) => boolean;
  onMark: () => void;
}

function SiteSettings({ site, onChange, onMark }: SiteSettingsProps) {
  return (
    <Popover width={320} position="bottom-start" trapFocus>
      <Popover.Target>
        <Button variant="default" size="compact-md" leftSection={<IconAdjustments size={15} />}>
          Size, photo and cables
        </Button>
      </Popover.Target>
      <Popover.Dropdown>
        <Stack>
          <Row>
            <LengthField
              label="Site, width"
              what="The width"
              leastMm={100}
              mostMm={10_000_000}
              value={site.widthMm}
              onCommit={(widthMm) => onChange({ ...site, widthMm })}
            />
            <LengthField
              label="Site, height"
              what="The height"
              leastMm={100}
              mostMm={10_000_000}
              value={site.heightMm}
              onCommit={(heightMm) => onChange({ ...site, heightMm })}
            />
          </Row>
          <Row>
            <WholeField
              label="Detours of cables"
              description="% on top"
              what="The detour"
              least={0}
              most={500}
              value={site.detourPercent}
              onCommit={(detourPercent) => onChange({ ...site, detourPercent })}
            />
            <LengthField
              label="Ends of a cable"
              description="up, down, plugs"
              what="The ends"
              leastMm={0}
              mostMm={100_000}
              value={site.endsMm}
              onCommit={(endsMm) => onChange({ ...site, endsMm })}
            />
          </Row>
          <PhotoChooser
            variant="default"
            onPhoto={({ photoId, aspect }) =>
              onChange({
                ...site,
                backdrop: { photoId, aspect, leftMm: 0, bottomMm: 0, widthMm: site.widthMm },
              })
            }
          />
          {site.backdrop && (
            <Row>
              <Button variant="default" size="compact-md" onClick={onMark}>
                Mark a known length
              </Button>
              <Button
                variant="default"
                size="compact-md"
                onClick={() => {
                  const { backdrop: _, ...rest } = site;
                  onChange(rest);
                }}
              >
                Take the photo away
              </Button>
            </Row>
          )}
          <Hint>
            A photo lies behind the drawing. Mark something whose length you know, and it has the right scale.
          </Hint>
        </Stack>
      </Popover.Dropdown>
    </Popover>
  );
}

interface MarkedLengthProps {
  ends: readonly { xMm: number; yMm: number }[];
  onLength: (measuredMm: number, trueMm: number) => void;
  onCancel: () => void;
}

function MarkedLength({ ends, onLength, onCancel }: MarkedLengthProps) {
  const [a, b] = ends;
  const measured = a && b ? Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm) : null;
  return (
    <>
      {measured === null || measured < 1 ? (
        <Hint>Click {a ? 'its other end' : 'one end of the length that you know'}.</Hint>
      ) : (
        <LengthField
          label="It is, in truth"
          what="The length"
          leastMm={1}
          mostMm={1_000_000}
          value={Math.round(measured)}
          onCommit={(trueMm) => onLength(measured, trueMm)}
        />
      )}
      <Button variant="default" size="compact-md" onClick={onCancel}>
        Leave it
      </Button>
    </>
  );
}
