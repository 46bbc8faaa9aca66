'use client';

import { ActionIcon, Chip, Group, SegmentedControl, Tooltip } from '@mantine/core';
import { IconArrowsMaximize } from '@tabler/icons-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { Plan } from '@/core/plan/planned';
import { kindOf } from '@/core/props/registry';
import { SIDES } from '@/core/threading/view';
import { countOf } from '@/core/units/number';
import { PixelCanvas, type PixelCanvasHandle } from '@/ui/picture/PixelCanvas';
import type { Layers } from '@/ui/picture/draw';
import { sceneOf } from '@/ui/picture/scene';
import { subjectOfPixel, type Selection } from '../view/selection';
import { useGoTo, useView } from '../view/useView';
import { PixelCallout } from './PixelCallout';
import styles from './picture.module.css';
import { SideControl } from '../view/SideControl';
import { useLengths } from '@/ui/lengths';
import { propAt, plannedAt } from '@/core/plan/records';

/** The layers that can be put away. */
const LAYER_NAMES = { numbers: 'Numbers', jumpers: 'Jumpers', ports: 'Ports' } as const;

/** The picture of a prop with its tools: the side it is seen from, what is drawn, and the way back to all of it. */
export function PropPicture({ plan, prop, selection }: { plan: Plan; prop: number; selection: Selection }) {
  const { side, subject, stage } = useView();
  const lengths = useLengths();
  const goTo = useGoTo();
  const canvas = useRef<PixelCanvasHandle>(null);
  const [hidden, setHidden] = useState<readonly string[]>([]);
  const layers = useMemo<Layers>(
    () => ({
      numbers: !hidden.includes('numbers'),
      jumpers: !hidden.includes('jumpers'),
      ports: !hidden.includes('ports'),
      chevrons: true,
      scaleBar: { lengths },
    }),
    [hidden, lengths],
  );
  const { id, name, kind: kindName } = propAt(plan, prop);
  const kind = kindOf({ kind: kindName });
  const [drawing, setDrawing] = useState<'true' | 'unrolled' | null>(null);
  // Threading is read best where no strand hides another.
  const shown = kind.unrolled ? (drawing ?? (stage === 'route' ? 'unrolled' : 'true')) : 'true';
  const scene = useMemo(() => sceneOf(plan, prop, shown), [plan, prop, shown]);
  const sides = kind.sides ?? SIDES;
  const runShown =
    selection.prop === prop &&
    selection.run !== undefined &&
    subject?.kind !== 'controller' &&
    scene.runs.length > 1
      ? selection.run - plannedAt(plan, prop).firstRun
      : -1;

  useEffect(() => {
    const fitOnKey = () => canvas.current?.fit();
    window.addEventListener('rapid-lantern:fit', fitOnKey);
    return () => window.removeEventListener('rapid-lantern:fit', fitOnKey);
  }, []);

  return (
    <section className={styles.stage} aria-label={`Picture of ${name}`}>
      <div className={styles.tools}>
        <SideControl sides={sides} />
        {kind.unrolled && (
          <SegmentedControl
            size="xs"
            aria-label="Drawing"
            value={shown}
            onChange={(value) => setDrawing(value === 'unrolled' ? 'unrolled' : 'true')}
            data={[
              { value: 'true', label: 'As it stands' },
              { value: 'unrolled', label: 'Unrolled' },
            ]}
          />
        )}
        <Chip.Group
          multiple
          value={Object.keys(LAYER_NAMES).filter((layer) => !hidden.includes(layer))}
          onChange={(on) => setHidden(Object.keys(LAYER_NAMES).filter((layer) => !on.includes(layer)))}
        >
          <Group gap={6}>
            {Object.entries(LAYER_NAMES).map(([layer, words]) => (
              <Chip key={layer} value={layer} size="xs" radius="md" variant="outline">
                {words}
              </Chip>
            ))}
          </Group>
        </Chip.Group>
        <div className={styles.spacer} />
        <Tooltip label="Show all of it (Z)">
          <ActionIcon variant="default" aria-label="Show all of it" onClick={() => canvas.current?.fit()}>
            <IconArrowsMaximize size={16} />
          </ActionIcon>
        </Tooltip>
      </div>
      <div className={styles.canvas}>
        {scene.pixelCount === 0 && (
          <p className={styles.empty}>No pixels yet. Say in Build, on the right, where they come from.</p>
        )}
        <PixelCanvas
          ref={canvas}
          scene={scene}
          side={side}
          layers={layers}
          selected={
            selection.prop === prop && selection.pixel !== undefined
              ? selection.pixel - scene.firstPixelOfProp
              : -1
          }
          selectedRun={runShown}
          onSelect={(pixel) =>
            goTo({
              subject:
                pixel < 0
                  ? { kind: 'prop', propId: id }
                  : subjectOfPixel(plan, scene.firstPixelOfProp + pixel),
            })
          }
          callout={(pixel) => <PixelCallout plan={plan} pixel={scene.firstPixelOfProp + pixel} />}
          label={`${name}, ${countOf(scene.pixelCount, 'pixel')}, ${sides[side]}`}
        />
      </div>
      <div className={styles.caption}>
        <span className={styles.side}>
          {sides[side]}
          {shown === 'unrolled' && ', unrolled'}
        </span>{' '}
        · data enters at the tab and leaves at the open ring · dashes are jumpers
      </div>
    </section>
  );
}
