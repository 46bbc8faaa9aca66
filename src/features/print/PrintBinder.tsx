import { Button, Group, Progress, Stack } from '@mantine/core';
import { IconPrinter } from '@tabler/icons-react';
import { useEffect, useRef, useState } from 'react';
import { newId } from '@/core/fields/fields';
import type { Plan } from '@/core/plan/planned';
import { useHandOut } from '@/ui/handingOut';
import { Hint } from '@/ui/Panel';
import type { Selection } from '../view/selection';
import { usePrint } from '../sheets/usePrint';
import { refusalOf } from '../show/client';
import { itemAt } from '@/core/units/there';
import { messageOf } from '@/core/units/messageOf';
import { answerOf } from '../show/answerOf';

interface Choice {
  label: string;
  /** Parameters of the query. */
  query: string;
}

/** All sheets of a prop, a device, a place or the show as one file, with contents, progress and a way to stop. */
export function PrintBinder({ plan, selection }: { plan: Plan; selection: Selection }) {
  const { fileOf, isSaved } = usePrint();
  const handOut = useHandOut();
  const [making, setMaking] = useState<{ label: string; part: number } | null>(null);
  const [made, setMade] = useState<{ label: string; url: string } | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const stop = useRef<(() => void) | null>(null);
  useEffect(() => () => stop.current?.(), []);
  useEffect(() => {
    const url = made?.url;
    return () => {
      if (url) URL.revokeObjectURL(url);
    };
  }, [made]);

  const make = async ({ label, query }: Choice) => {
    const job = newId('print');
    const controller = new AbortController();
    stop.current = () => controller.abort();
    setMade(null);
    setProblem(null);
    setMaking({ label, part: 0 });
    const timer = setInterval(() => {
      void fetch(`/api/jobs/${job}`)
        .then((response) => answerOf<{ part: number | null }>(response))
        .then(({ part }) => part !== null && setMaking((now) => now && { ...now, part }))
        .catch(() => {});
    }, 400);
    try {
      const response = await fetch(fileOf(`binder.pdf?${query}${query ? '&' : ''}job=${job}`), {
        signal: controller.signal,
      });
      if (!response.ok) throw await refusalOf(response);
      const url = URL.createObjectURL(await response.blob());
      setMade({ label, url });
      handOut('printed', label);
    } catch (error) {
      if (!controller.signal.aborted) setProblem(`It could not be made: ${messageOf(error)}`);
    } finally {
      clearInterval(timer);
      stop.current = null;
      setMaking(null);
    }
  };

  if (making)
    return (
      <Stack gap={8}>
        <Progress value={100 * making.part} aria-label={`Making ${making.label}`} />
        <Group justify="space-between">
          <span role="status">
            {making.label}: {Math.round(100 * making.part)} %
          </span>
          <Button size="compact-sm" variant="default" onClick={() => stop.current?.()}>
            Stop
          </Button>
        </Group>
      </Stack>
    );
  return (
    <Stack gap={8}>
      {choicesOf(plan, selection).map((choice) => (
        <Button
          key={choice.label}
          variant="default"
          leftSection={<IconPrinter size={15} />}
          disabled={!isSaved || plan.show.props.length === 0}
          onClick={() => void make(choice)}
        >
          {choice.label}
        </Button>
      ))}
      {made && (
        <Group gap={8} role="status">
          <Button component="a" size="compact-md" href={made.url} target="_blank">
            Open {made.label}
          </Button>
          <Button
            component="a"
            size="compact-md"
            variant="default"
            href={made.url}
            download={`${made.label}.pdf`}
          >
            Save
          </Button>
        </Group>
      )}
      {problem !== null && <p role="alert">{problem}</p>}
      <Hint>One PDF with contents, each sheet on pages of its own. Labels are printed by themselves.</Hint>
    </Stack>
  );
}

function choicesOf({ show }: Plan, { prop, controller }: Selection): Choice[] {
  const choices: Choice[] = [];
  if (controller !== undefined) {
    const { id, name } = itemAt(show.controllers, controller);
    choices.push({ label: `All of ${name}`, query: `controller=${id}` });
  } else if (prop !== undefined) {
    const { id, name, placeId } = itemAt(show.props, prop);
    choices.push({ label: `All of ${name}`, query: `prop=${id}` });
    const place = show.places.find((each) => each.id === placeId);
    if (place) choices.push({ label: `Everything at ${place.name}`, query: `place=${place.id}` });
  }
  choices.push({ label: 'The whole binder', query: '' });
  return choices;
}
