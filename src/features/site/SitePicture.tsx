'use client';

import { Button, useComputedColorScheme } from '@mantine/core';
import { useEffect, useMemo, useRef } from 'react';
import type { Plan } from '@/core/plan/planned';
import { firstStep } from '@/core/show/firstSteps';
import { countOf } from '@/core/units/number';
import { fit } from '@/ui/picture/camera';
import { drawScene } from '@/ui/picture/draw';
import { readPalette } from '@/ui/picture/palette';
import { sceneOf } from '@/ui/picture/scene';
import { useGoTo, useView } from '../view/useView';
import { FirstSteps } from '../faces/FirstSteps';
import { useEdit, useShow } from '../show/ShowProvider';
import { useDialog } from '../view/openDialog';
import { portsOf } from '../view/portsOf';
import styles from './SitePicture.module.css';
import { faceOf } from '../kinds/registry';
import { propAt, plannedAt } from '@/core/plan/records';

const MOST_CARDS = 60;

/** All props side by side, each as a small picture: what is seen while none is chosen. */
export function SitePicture({ plan }: { plan: Plan }) {
  const goTo = useGoTo();
  if (plan.show.props.length === 0) return <Beginning />;
  return (
    <div className={styles.site}>
      <div className={styles.cards}>
        {plan.show.props.slice(0, MOST_CARDS).map((prop, index) => (
          <button
            key={prop.id}
            type="button"
            className={styles.card}
            onClick={() => goTo({ subject: { kind: 'prop', propId: prop.id } })}
          >
            <SmallPicture plan={plan} prop={index} />
            <span className={styles.name}>{prop.name}</span>
            <span className={`${styles.facts} mono`}>
              {countOf(plannedAt(plan, index).pixelCount, 'pixel')} · <span>{portsOf(plan, index)}</span>
            </span>
          </button>
        ))}
      </div>
      {plan.show.props.length > MOST_CARDS && (
        <p>And {countOf(plan.show.props.length - MOST_CARDS, 'more prop')} in the list on the left.</p>
      )}
    </div>
  );
}

/** A show without props: the five usual beginnings. */
function Beginning() {
  const show = useShow((state) => state.show);
  const edit = useEdit();
  const goTo = useGoTo();
  return (
    <div className={styles.beginning}>
      <h2>What do you want to light?</h2>
      <p>
        Each answer makes a first prop at usual measures, puts it on a controller and threads it. Take a tape
        measure to yours and correct the figures: counts, channels and addresses follow. One undo takes it all
        back.
      </p>
      <FirstSteps
        onChoose={(step) => {
          const { edit: begin, propId } = firstStep(show, step);
          edit(begin, () => goTo({ stage: 'build', subject: { kind: 'prop', propId } }));
        }}
      />
      <p>
        Something else? <b>Add a prop</b> has every kind: rings, tiles, arches, crafts, points from a file or
        a photo.
      </p>
      <Button variant="default" onClick={() => useDialog.getState().show('addProp')}>
        Every kind of prop
      </Button>
    </div>
  );
}

const SMALL = { widthPx: 260, heightPx: 112 };

function SmallPicture({ plan, prop }: { plan: Plan; prop: number }) {
  const { side } = useView();
  const canvas = useRef<HTMLCanvasElement>(null);
  const scheme = useComputedColorScheme('dark');
  const ofShow = propAt(plan, prop);
  const { drawSmall } = faceOf(ofShow);
  const scene = useMemo(() => (drawSmall ? null : sceneOf(plan, prop)), [drawSmall, plan, prop]);
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!canvas.current || !context) return;
    canvas.current.width = SMALL.widthPx * 2;
    canvas.current.height = SMALL.heightPx * 2;
    context.setTransform(2, 0, 0, 2, 0, 0);
    const palette = readPalette(canvas.current);
    if (drawSmall) return drawSmall(context, ofShow, side, SMALL, palette);
    if (!scene?.bounds) return;
    const camera = fit(scene.bounds, SMALL, 16);
    drawScene(
      context,
      scene,
      side === 'back' ? { ...camera, xMm: -camera.xMm } : camera,
      SMALL,
      side === 'back' ? -1 : 1,
      { numbers: false, jumpers: false, ports: false, chevrons: false, scaleBar: false },
      { selected: -1, hovered: -1, run: -1 },
      palette,
    );
  }, [scene, drawSmall, ofShow, side, scheme]);
  return <canvas ref={canvas} className={styles.picture} aria-hidden />;
}
