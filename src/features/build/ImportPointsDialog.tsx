'use client';

import { Button, FileButton, Group, Modal, Progress } from '@mantine/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import { layAlong } from '@/core/props/points/outline';
import type { PointList } from '@/core/props/points/pointList';
import { formatLength } from '@/core/units/length';
import { countOf } from '@/core/units/number';
import { messageOf } from '@/core/units/messageOf';
import { Choice } from '@/ui/fields/Choice';
import { LengthField } from '@/ui/fields/fields';
import { Hint, Row, Stack } from '@/ui/Panel';
import { startPointsReader, type Drawing, type PointsReader } from '@/workers/points/reader';
import { useEdit, useShow } from '../show/ShowProvider';
import { usePointsImport } from '../editors/importPoints';
import { PointsPreview } from './PointsPreview';
import { TracePhoto } from './TracePhoto';
import sheets from '../sheets/sheets.module.css';
import { useLengths } from '@/ui/lengths';
import { ApplyButton } from '@/ui/fields/ApplyButton';

/** Brings points into a free-form prop: from a table, along a drawing, or over a photo. */
export function ImportPointsDialog() {
  const { target, close } = usePointsImport();
  const show = useShow((state) => state.show);
  const prop = show.props.find((each) => each.id === target?.propId);
  const edit = useEdit();
  if (!target || prop?.kind !== 'freeform') return null;
  const take = (list: PointList, source: string, more: object = {}) => {
    const shape = { ...list, source: source.slice(0, 200), ...more };
    edit({ type: 'setShape', propId: prop.id, shape }, close);
  };
  if (target.source === 'photo') return <TracePhoto prop={prop} onTake={take} onClose={close} />;
  return (
    <Modal
      opened
      onClose={close}
      size="xl"
      title={`${target.source === 'csv' ? 'Points from a CSV' : 'Along an SVG drawing'} · ${prop.name}`}
    >
      {target.source === 'csv' ? <FromTable onTake={take} /> : <FromDrawing onTake={take} />}
    </Modal>
  );
}

type Take = (list: PointList, source: string) => void;
type Reading = { state: 'idle' } | { state: 'reading'; part: number } | { state: 'failed'; message: string };

const MOST_BYTES = { csv: 64 * 1024 * 1024, svg: 16 * 1024 * 1024 };

/** Reads a file in a thread of its own, one at a time, with its progress and a way to stop it. */
function useReading() {
  const reader = useRef<PointsReader | null>(null);
  const [reading, setReading] = useState<Reading>({ state: 'idle' });
  const stop = () => {
    reader.current?.stop();
    reader.current = null;
    setReading({ state: 'idle' });
  };
  useEffect(() => () => reader.current?.stop(), []);
  const read = async <Result,>(
    work: (reader: PointsReader, progress: (part: number) => void) => Promise<Result>,
  ): Promise<Result | undefined> => {
    reader.current?.stop();
    const mine = (reader.current = startPointsReader());
    const current = () => reader.current === mine;
    setReading({ state: 'reading', part: 0 });
    try {
      const result = await work(mine, (part) => current() && setReading({ state: 'reading', part }));
      if (!current()) return undefined;
      setReading({ state: 'idle' });
      return result;
    } catch (error) {
      if (current()) setReading({ state: 'failed', message: messageOf(error) });
      return undefined;
    }
  };
  return { reading, read, stop };
}

function FileChooser({
  accept,
  reading,
  onFile,
  onStop,
  file,
}: {
  accept: 'csv' | 'svg';
  reading: Reading;
  onFile: (file: File) => void;
  onStop: () => void;
  file: File | null;
}) {
  const [tooLarge, setTooLarge] = useState<string | null>(null);
  return (
    <>
      <Group>
        <FileButton
          accept={accept === 'csv' ? '.csv,.tsv,.txt,text/csv,text/plain' : '.svg,image/svg+xml'}
          onChange={(chosen) => {
            if (!chosen) return;
            const most = MOST_BYTES[accept];
            if (chosen.size > most)
              return setTooLarge(
                `“${chosen.name}” has ${Math.round(chosen.size / 1024 / 1024)} MB; at most ${most / 1024 / 1024} MB are read.`,
              );
            setTooLarge(null);
            onFile(chosen);
          }}
        >
          {(props) => (
            <Button variant={file ? 'default' : 'filled'} {...props}>
              {file ? 'Another file…' : 'Choose the file…'}
            </Button>
          )}
        </FileButton>
        {file && <span className="mono">{file.name}</span>}
      </Group>
      {reading.state === 'reading' && (
        <Group wrap="nowrap">
          <Progress flex={1} value={reading.part * 100} animated aria-label="Read so far" />
          <Button size="compact-sm" variant="default" onClick={onStop}>
            Stop
          </Button>
        </Group>
      )}
      {(tooLarge ?? reading.state === 'failed') && (
        <p role="alert" className={sheets.wrong}>
          {tooLarge ?? (reading.state === 'failed' && reading.message)}
        </p>
      )}
    </>
  );
}

const UNITS = { mm: 1, cm: 10, m: 1000, in: 25.4 } as const;

function FromTable({ onTake }: { onTake: Take }) {
  const { reading, read, stop } = useReading();
  const [file, setFile] = useState<File | null>(null);
  const [unit, setUnit] = useState<keyof typeof UNITS>('mm');
  const [yDown, setYDown] = useState(false);
  const [list, setList] = useState<PointList | null>(null);

  const start = async (from: File, options: { unit: keyof typeof UNITS; yDown: boolean }) => {
    setFile(from);
    setList(null);
    const found = await read(async (reader, progress) =>
      reader.table(await from.text(), { mmPerUnit: UNITS[options.unit], yDown: options.yDown }, progress),
    );
    if (found) setList(found);
  };
  return (
    <Stack>
      <Hint>
        A line for each pixel in the order of the data: x, y and perhaps z. A heading is understood, an empty
        line ends a piece, and comma, semicolon or tab part the columns.
      </Hint>
      <Row>
        <Choice
          label="The numbers are"
          value={unit}
          onChange={(value) => {
            setUnit(value as keyof typeof UNITS);
            if (file) void start(file, { unit: value as keyof typeof UNITS, yDown });
          }}
          data={Object.keys(UNITS).map((value) => ({ value, label: value }))}
        />
        <Choice
          label="y counts"
          value={yDown ? 'down' : 'up'}
          onChange={(value) => {
            setYDown(value === 'down');
            if (file) void start(file, { unit, yDown: value === 'down' });
          }}
          data={[
            { value: 'up', label: 'Upwards' },
            { value: 'down', label: 'Downwards' },
          ]}
        />
      </Row>
      <FileChooser
        accept="csv"
        file={file}
        reading={reading}
        onStop={stop}
        onFile={(from) => void start(from, { unit, yDown })}
      />
      {list && <Ready list={list} onTake={() => onTake(list, file!.name)} />}
    </Stack>
  );
}

function FromDrawing({ onTake }: { onTake: Take }) {
  const { reading, read, stop } = useReading();
  const [file, setFile] = useState<File | null>(null);
  const [drawing, setDrawing] = useState<Drawing | null>(null);
  const [widthMm, setWidthMm] = useState(1000);
  const [spacingMm, setSpacingMm] = useState(25);
  const [spread, setSpread] = useState<'even' | 'exact'>('even');

  const start = async (from: File) => {
    setFile(from);
    setDrawing(null);
    const found = await read(async (reader, progress) => reader.svg(await from.text(), progress));
    if (!found) return;
    setDrawing(found);
    if (found.mmPerUnit) setWidthMm(Math.max(1, Math.round(found.width * found.mmPerUnit)));
  };
  const laid = useMemo(() => {
    if (!drawing) return null;
    // A drawing that is one upright line has no width; its height stands in for it.
    const mmPerUnit = widthMm / (drawing.width || drawing.height || 1);
    try {
      return { list: layAlong(drawing.outlines, { mmPerUnit, spacingMm, spread, yDown: true }), mmPerUnit };
    } catch (error) {
      return { problem: messageOf(error) };
    }
  }, [drawing, widthMm, spacingMm, spread]);
  return (
    <Stack>
      <FileChooser
        accept="svg"
        file={file}
        reading={reading}
        onStop={stop}
        onFile={(from) => void start(from)}
      />
      {!file && (
        <Hint>
          Paths, lines, circles and rectangles are followed in the order of the drawing; each outline becomes
          a piece, joined to the next by a jumper. Turn texts into paths first.
        </Hint>
      )}
      {drawing && (
        <>
          <Row>
            <LengthField
              label="Width of the drawing"
              what="The width"
              leastMm={1}
              mostMm={1_000_000}
              value={widthMm}
              onCommit={setWidthMm}
              description={drawing.mmPerUnit ? 'as the file says' : 'the file does not say: type it'}
            />
            <LengthField
              isSpacing
              label="Pixel spacing"
              what="The spacing"
              leastMm={1}
              mostMm={5000}
              value={spacingMm}
              onCommit={setSpacingMm}
              description="along each outline"
            />
          </Row>
          <Choice
            label="Where the spacing leaves a rest"
            value={spread}
            onChange={(value) => setSpread(value === 'exact' ? 'exact' : 'even')}
            data={[
              { value: 'even', label: 'Spread it: holes that are drilled' },
              { value: 'exact', label: 'Leave it: strip off the roll' },
            ]}
          />
          {drawing.leftOut.length > 0 && <Hint>Left out: {drawing.leftOut.join(', ')}.</Hint>}
          {laid?.problem && (
            <p role="alert" className={sheets.wrong}>
              {laid.problem}
            </p>
          )}
          {laid?.list && <Ready list={laid.list} onTake={() => onTake(laid.list, file!.name)} />}
        </>
      )}
    </Stack>
  );
}

function Ready({ list, onTake }: { list: PointList; onTake: () => void }) {
  const lengths = useLengths();
  const span = (values: readonly number[]) =>
    values.reduce((most, value) => Math.max(most, value), -Infinity) -
    values.reduce((least, value) => Math.min(least, value), Infinity);
  return (
    <>
      <PointsPreview list={list} />
      <Group justify="space-between">
        <span className="mono" data-testid="points-found">
          {countOf(list.xMm.length, 'point')} in {countOf(list.pieces.length, 'piece')},{' '}
          {formatLength(span(list.xMm), lengths)} × {formatLength(span(list.yMm), lengths)}
        </span>
        <ApplyButton onClick={onTake}>Use {countOf(list.xMm.length, 'point')}</ApplyButton>
      </Group>
    </>
  );
}
