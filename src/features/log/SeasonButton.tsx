import { Button, Checkbox, Modal, Stack, TextInput } from '@mantine/core';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import sheets from '../sheets/sheets.module.css';
import { refusalOf } from '../show/client';
import { answerOf } from '../show/answerOf';
import { useShow } from '../show/ShowProvider';
import { countOf } from '@/core/units/number';

/** Another season’s show: the plan and its reasons, with every tick and test open again. */
export function SeasonButton({ showId, name }: { showId: string; name: string }) {
  const router = useRouter();
  const [opened, setOpened] = useState(false);
  const [next, setNext] = useState(`${name}, next season`);
  const [unlocks, setUnlocks] = useState(true);
  const [problem, setProblem] = useState<string | null>(null);
  const locked = useShow((state) => state.show.patch).filter(({ pin }) => pin?.kept !== undefined).length;
  const start = async () => {
    const response = await fetch(`/api/shows/${showId}/season`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: next.trim(), keepsLocks: !unlocks }),
    });
    if (response.ok) router.push(`/shows/${(await answerOf<{ id: string }>(response)).id}/log`);
    else setProblem((await refusalOf(response)).message);
  };
  return (
    <>
      <Button variant="default" onClick={() => setOpened(true)}>
        Begin another season…
      </Button>
      <Modal opened={opened} onClose={() => setOpened(false)} title="Another season of this show">
        <form
          onSubmit={(event) => {
            event.preventDefault();
            if (next.trim() !== '') void start();
          }}
        >
          <Stack>
            <p className={sheets.lead}>
              A show of its own: the plan, measurements, photos and reasons stay. Every tick, test and step is
              open again, and what changed since the last state with a name is written into its log.
            </p>
            <TextInput
              data-autofocus
              label="Name of the new show"
              maxLength={80}
              value={next}
              error={problem}
              onChange={(event) => setNext(event.currentTarget.value)}
            />
            {locked > 0 && (
              <Checkbox
                label={`Unlock the addresses of ${countOf(locked, 'run')}`}
                description="They were locked by keeping addresses. Everything is typed anew in another season, so nothing holds them in place."
                checked={unlocks}
                onChange={(event) => setUnlocks(event.currentTarget.checked)}
              />
            )}
            <Button type="submit" disabled={next.trim() === ''}>
              Begin it
            </Button>
          </Stack>
        </form>
      </Modal>
    </>
  );
}
