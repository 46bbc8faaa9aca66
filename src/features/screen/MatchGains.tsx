import { Button, FileButton, Group, TextInput } from '@mantine/core';
import { useEffect, useRef, useState, type PointerEvent } from 'react';
import { matchedGains, type Gains, type PipelineSettings } from '@/core/screens/pipelineSettings';
import { Hint, Stack } from '@/ui/Panel';
import { openPicture } from './pictureSource';
import styles from './screen.module.css';
import { itemAt } from '@/core/units/there';
import { messageOf } from '@/core/units/messageOf';

/** The colour of a place in a photo is the mean of so many of its pixels to each side. */
const AROUND = 6;
/** A photo is looked at no larger than this. */
const MOST_WIDTH = 800;

const percentages = (gains: Gains) => gains.map((gain) => `${Math.round(gain * 100)} %`).join(', ');

/** Finds the white balance by a photo of the lit wall beside the white screen, and keeps it for a picture mode of the screen. */
export function MatchGains({
  settings,
  onKeep,
}: {
  settings: PipelineSettings;
  onKeep: (change: Partial<PipelineSettings>) => void;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [photo, setPhoto] = useState<ImageBitmap | null>(null);
  const [taken, setTaken] = useState<(readonly number[])[]>([]);
  const [mode, setMode] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const { modes = [], gains } = settings;

  useEffect(() => {
    if (!photo || !canvas.current) return;
    const scale = Math.min(1, MOST_WIDTH / photo.width);
    canvas.current.width = Math.round(photo.width * scale);
    canvas.current.height = Math.round(photo.height * scale);
    contextOf(canvas.current).drawImage(photo, 0, 0, canvas.current.width, canvas.current.height);
    return () => photo.close();
  }, [photo]);

  const open = async (file: File | null) => {
    if (!file) return;
    setProblem(null);
    setTaken([]);
    try {
      const opened = await openPicture(file);
      if (opened.kind === 'image') setPhoto(opened.image);
      else setProblem('A photo is wanted here, not a video.');
    } catch (error) {
      setProblem(messageOf(error));
    }
  };
  const tap = (event: PointerEvent<HTMLCanvasElement>) => {
    const of = event.currentTarget;
    const box = of.getBoundingClientRect();
    const x = ((event.clientX - box.left) / box.width) * of.width;
    const y = ((event.clientY - box.top) / box.height) * of.height;
    const colour = meanColour(of, x, y);
    setProblem(null);
    if (taken.length !== 1) return setTaken([colour]);
    const found = matchedGains(itemAt(taken, 0), colour, gains);
    if (!found)
      return setProblem(
        'One of both is too dark or too bright in this photo: take one with less or more light, and no flash.',
      );
    setTaken([...taken, colour]);
    onKeep({ gains: found });
  };
  const keepMode = () => {
    const name = mode.trim();
    if (name === '') return;
    onKeep({ modes: [...modes.filter((each) => each.name !== name), { name, gains }] });
    setMode('');
  };
  return (
    <Stack>
      <Hint>
        Show white on the screen and send white to the lights in a dark room. Take a photo of both without
        flash, then tap the screen and after it the wall. By eye the three sliders above do the same.
      </Hint>
      <FileButton accept="image/*" onChange={(file) => void open(file)}>
        {(props) => (
          <Button variant="default" {...props}>
            The photo…
          </Button>
        )}
      </FileButton>
      {photo && (
        <>
          <canvas
            ref={canvas}
            className={styles.photo}
            data-testid="match-photo"
            role="img"
            aria-label="Your photo of the white screen and the lit wall"
            onPointerDown={tap}
          />
          <p role="status" className={styles.told}>
            {taken.length === 0
              ? 'Tap the white screen.'
              : taken.length === 1
                ? 'Now tap the wall beside it.'
                : `Red, green and blue are now ${percentages(gains)}. Take another photo: wall and screen should look alike.`}
          </p>
        </>
      )}
      {problem && (
        <p role="alert" className={styles.problem}>
          {problem}
        </p>
      )}
      <Group gap={8} align="end" wrap="nowrap">
        <TextInput
          label="Picture mode of the screen"
          description={`Keep ${percentages(gains)} under its name`}
          placeholder="film, evening"
          maxLength={40}
          value={mode}
          onChange={(event) => setMode(event.currentTarget.value)}
          onKeyDown={(event) => event.key === 'Enter' && keepMode()}
        />
        <Button variant="default" disabled={mode.trim() === '' || modes.length >= 12} onClick={keepMode}>
          Keep
        </Button>
      </Group>
      {modes.length > 0 && (
        <ul className={styles.plain} aria-label="Picture modes">
          {modes.map(({ name, gains: own }) => (
            <li key={name}>
              {name}: {percentages(own)}{' '}
              <Button size="compact-xs" variant="default" onClick={() => onKeep({ gains: own })}>
                Use it
              </Button>{' '}
              <Button
                size="compact-xs"
                variant="subtle"
                color="gray"
                onClick={() => onKeep({ modes: modes.filter((each) => each.name !== name) })}
              >
                Forget it
              </Button>
            </li>
          ))}
        </ul>
      )}
    </Stack>
  );
}

const contextOf = (canvas: HTMLCanvasElement) => canvas.getContext('2d', { willReadFrequently: true })!;

function meanColour(canvas: HTMLCanvasElement, x: number, y: number): number[] {
  const [left, top] = [Math.max(0, Math.floor(x) - AROUND), Math.max(0, Math.floor(y) - AROUND)];
  const [width, height] = [
    Math.max(1, Math.min(2 * AROUND + 1, canvas.width - left)),
    Math.max(1, Math.min(2 * AROUND + 1, canvas.height - top)),
  ];
  const { data } = contextOf(canvas).getImageData(left, top, width, height);
  const sum = [0, 0, 0];
  for (let at = 0; at < data.length; at += 4) for (let k = 0; k < 3; k += 1) sum[k]! += data[at + k]!;
  return sum.map((all) => (4 * all) / data.length);
}
