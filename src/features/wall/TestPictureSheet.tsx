'use client';

import { layWall } from '@/core/props/wall';

import { Button, Group } from '@mantine/core';
import { IconDownload } from '@tabler/icons-react';
import { useEffect, useMemo, useRef } from 'react';
import { asChannels, panelLabels } from '@/core/patterns/panelLabels';
import type { PropOf } from '@/core/props/registry';
import { groupDigits } from '@/core/units/number';
import sheets from '../sheets/sheets.module.css';
import styles from './wall.module.css';

/** A picture by which every panel says where it belongs, to be shown on the wall. */
export function TestPictureSheet({ prop }: { prop: PropOf<'wall'> }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const raster = useMemo(() => panelLabels(layWall(prop)), [prop]);
  useEffect(() => {
    const element = canvas.current!;
    element.width = raster.width;
    element.height = raster.height;
    const context = element.getContext('2d')!;
    const image = context.createImageData(raster.width, raster.height);
    for (let i = 0, from = 0; i < image.data.length; i += 4, from += 3) {
      image.data[i] = raster.rgb[from]!;
      image.data[i + 1] = raster.rgb[from + 1]!;
      image.data[i + 2] = raster.rgb[from + 2]!;
      image.data[i + 3] = 255;
    }
    context.putImageData(image, 0, 0);
  }, [raster]);
  const save = (blob: Blob, ending: string) => {
    const link = document.createElement('a');
    link.href = URL.createObjectURL(blob);
    link.download = `${prop.id}-test.${ending}`;
    link.click();
    setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
  };
  return (
    <div className={sheets.sheet}>
      <p className={sheets.lead}>
        Above: output.place in the chain. Below: row and column on the wall (r1c4), seen from the front. The
        arrow points where the printed arrow of that panel is to point, each output has a colour of its own,
        and every panel a border of one pixel. On a right wall everything stands upright, also on panels that
        hang upside down: a number on its head is a panel that is turned otherwise than its driver is told,
        and a number elsewhere is another chain or place.
      </p>
      <Group mb="md">
        <Button
          leftSection={<IconDownload size={16} />}
          onClick={() => canvas.current?.toBlob((blob) => blob && save(blob, 'png'))}
        >
          Save as PNG
        </Button>
        <Button
          variant="default"
          leftSection={<IconDownload size={16} />}
          onClick={() =>
            save(new Blob([asChannels(raster, prop.threading.pictureCorner) as BlobPart]), 'bin')
          }
        >
          Save as channel data
        </Button>
        <span className="mono">
          {groupDigits(raster.width)} × {groupDigits(raster.height)} px
        </span>
      </Group>
      <canvas
        ref={canvas}
        className={styles.preview}
        // Whole multiples keep its pixels square.
        style={{ width: raster.width * Math.max(1, Math.floor(960 / raster.width)) }}
        data-testid="test-picture"
      />
    </div>
  );
}
