'use client';

import { Button, FileButton, Group, Loader } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';
import { keepPhoto, type KeptPhoto } from './photos';
import { messageOf } from '@/core/units/messageOf';

/** Takes a photo from the builder's files, with its progress and a way to stop. */
export function PhotoChooser({
  onPhoto,
  variant = 'filled',
}: {
  onPhoto: (photo: KeptPhoto & { name: string }) => void;
  variant?: 'filled' | 'default';
}) {
  const [step, setStep] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const abort = useRef<AbortController | null>(null);
  useEffect(() => () => abort.current?.abort(), []);
  const keep = async (file: File) => {
    abort.current = new AbortController();
    setProblem(null);
    try {
      onPhoto({ ...(await keepPhoto(file, setStep, abort.current.signal)), name: file.name });
    } catch (error) {
      if (!abort.current.signal.aborted) setProblem(messageOf(error));
    } finally {
      setStep(null);
    }
  };
  return (
    <>
      {step ? (
        <Group>
          <Loader size="sm" />
          <span>{step}…</span>
          <Button size="compact-sm" variant="default" onClick={() => abort.current?.abort()}>
            Stop
          </Button>
        </Group>
      ) : (
        <FileButton accept="image/jpeg,image/png,image/webp" onChange={(file) => file && void keep(file)}>
          {(props) => (
            <Button variant={variant} {...props}>
              Choose a photo…
            </Button>
          )}
        </FileButton>
      )}
      {problem && <p role="alert">{problem}</p>}
    </>
  );
}
