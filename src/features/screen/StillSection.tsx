import { Button, FileButton } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';
import { CAPTURE_LADDER, STILL_WORDS, type StillReport } from '@/core/screens/still';
import { messageOf } from '@/core/units/messageOf';
import { Facts } from '@/ui/Facts';
import { startScreenLights } from '@/workers/screen/screenLights';
import sheets from '../sheets/sheets.module.css';
import { openPicture } from './pictureSource';
import styles from './screen.module.css';

interface Still {
  name: string;
  width: number;
  height: number;
  report: StillReport;
}

/** A larger still is looked at smaller; what is cropped is said in its own pixels. */
const MOST_WIDTH = 3840;
/** As a byte: a capture's black is not quite black. */
const BLACK_BELOW = 20;

/** A still of the capture device parts what is wrong before the lights from what is wrong behind them. */
export function StillSection() {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [still, setStill] = useState<Still | null>(null);
  const [picture, setPicture] = useState<ImageBitmap | null>(null);
  const [problem, setProblem] = useState<string | null>(null);

  const open = async (file: File | null) => {
    if (!file) return;
    setProblem(null);
    setStill(null);
    const lights = startScreenLights();
    try {
      const opened = await openPicture(file);
      if (opened.kind !== 'image')
        throw new Error('A still is wanted here, a picture of the capture program.');
      const { image } = opened;
      const scale = Math.min(1, MOST_WIDTH / image.width);
      const small = document.createElement('canvas');
      small.width = Math.max(1, Math.round(image.width * scale));
      small.height = Math.max(1, Math.round(image.height * scale));
      const context = small.getContext('2d', { willReadFrequently: true })!;
      context.drawImage(image, 0, 0, small.width, small.height);
      const { data } = context.getImageData(0, 0, small.width, small.height);
      const report = await lights.still(
        { width: small.width, height: small.height, rgba: data },
        BLACK_BELOW,
      );
      const own = (pixels: number) => Math.round(pixels / scale);
      const { left, right, top, bottom } = report.crop;
      setPicture(image);
      setStill({
        name: file.name,
        width: image.width,
        height: image.height,
        report: {
          ...report,
          crop: { left: own(left), right: own(right), top: own(top), bottom: own(bottom) },
        },
      });
    } catch (error) {
      setProblem(messageOf(error));
    } finally {
      lights.stop();
    }
  };
  useEffect(() => {
    const of = canvas.current;
    if (!of || !picture || !still) return;
    const scale = Math.min(1, 640 / still.width);
    of.width = Math.round(still.width * scale);
    of.height = Math.round(still.height * scale);
    const context = of.getContext('2d')!;
    context.drawImage(picture, 0, 0, of.width, of.height);
    const { left, right, top, bottom } = still.report.crop;
    context.strokeStyle = '#ffb02e';
    context.lineWidth = 2;
    context.strokeRect(
      left * scale + 1,
      top * scale + 1,
      of.width - (left + right) * scale - 2,
      of.height - (top + bottom) * scale - 2,
    );
    return () => picture.close();
  }, [picture, still]);
  const words = still && STILL_WORDS[still.report.looks];
  const crop = still?.report.crop;
  return (
    <>
      <h3>A still of the capture</h3>
      <p className={sheets.lead}>
        Save a still in the capture program while something bright is on. It says whether a fault is before
        the lights or behind them, and how much black there is to crop. It stays in this browser.
      </p>
      <FileButton accept="image/*" onChange={(file) => void open(file)}>
        {(props) => (
          <Button variant="default" {...props}>
            {still ? 'Another still…' : 'The still…'}
          </Button>
        )}
      </FileButton>
      {problem && (
        <p role="alert" className={styles.problem}>
          {problem}
        </p>
      )}
      {still && (
        <div className={styles.beside}>
          <canvas
            ref={canvas}
            className={styles.photo}
            role="img"
            aria-label={`${still.name}, with the part that is picture framed`}
          />
          <div>
            <p role="status" data-testid="still-says">
              {words!.says} {words!.next}
            </p>
            <Facts
              facts={[
                { name: 'The still', value: `${still.width} × ${still.height}` },
                { name: 'Crop at the left', value: `${crop!.left} px` },
                { name: 'Crop at the right', value: `${crop!.right} px` },
                { name: 'Crop at the top', value: `${crop!.top} px` },
                { name: 'Crop at the bottom', value: `${crop!.bottom} px` },
              ]}
            />
          </div>
        </div>
      )}
      <h3>The capture device is missing</h3>
      <ol className={styles.plain} aria-label="The capture device is missing">
        {CAPTURE_LADDER.map(({ step, why }) => (
          <li key={step}>
            <b>{step}</b>: {why}.
          </li>
        ))}
      </ol>
    </>
  );
}
