'use client';

import { useEffect, useState } from 'react';
import type { Stage } from '@/core/stages/stages';
import type { StageParts } from '../sheets/stageParts';
import { LOADERS } from './registry';

const loaded = new Map<string, StageParts>();
const onTheWay = new Map<string, Promise<StageParts>>();

/** Fetches what a stage is made of, once. */
export function loadStage(stage: Stage): Promise<StageParts> {
  let coming = onTheWay.get(stage.id);
  if (!coming) {
    coming = LOADERS[stage.id]();
    onTheWay.set(stage.id, coming);
    coming.then(
      (parts) => loaded.set(stage.id, parts),
      // The next try asks again.
      () => onTheWay.delete(stage.id),
    );
  }
  return coming;
}

interface LoadingStage {
  /** Null while it is on its way. */
  parts: StageParts | null;
  /** Why it did not come, in a sentence. */
  problem: string | null;
  again: () => void;
}

/** Parts of a stage; the code of a stage is fetched when it is first gone to. */
export function useStageParts(stage: Stage): LoadingStage {
  const [tries, setTries] = useState(0);
  const [came, setCame] = useState<{ stage: Stage; problem: string | null } | null>(null);
  useEffect(() => {
    if (loaded.has(stage.id)) return;
    let left = false;
    const tell = (problem: string | null) => left || setCame({ stage, problem });
    loadStage(stage).then(
      () => tell(null),
      () => tell(`${stage.label} could not be fetched from the server. Nothing is lost.`),
    );
    return () => {
      left = true;
    };
  }, [stage, tries]);
  return {
    parts: loaded.get(stage.id) ?? null,
    problem: came?.stage === stage ? came.problem : null,
    again: () => {
      setCame(null);
      setTries((count) => count + 1);
    },
  };
}
