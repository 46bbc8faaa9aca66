import { useEffect } from 'react';
import type { BenchState } from '@/core/rig/benchState';
import { benchAddress, postBench, useBench } from './bench';
import { stopTest } from './useTest';
import { answerOf } from '../show/answerOf';

const POLL_MS = 1000;
/** From one sheet of the bench to another it is watched by nobody for a moment. */
const LEFT_MS = 800;
let watchers = 0;

/** The test of this window ends with it, and when the bench is left: nobody would see it, and nobody could stop it. */
function endOwn(showId: string, isClosing: boolean): void {
  if (useBench.getState().sentAs === null) return;
  useBench.setState({ sentAs: null });
  stopTest();
  void postBench(showId, { do: 'stop' }, isClosing);
}

/**
 * Looks at the bench once a second while somebody sees it.
 *
 * @param isWatched whether it is to be looked at now
 */
export function useWatchedBench(showId: string, isWatched = true): BenchState | null {
  useEffect(() => {
    if (!isWatched) return;
    watchers += 1;
    const onHide = () => endOwn(showId, true);
    window.addEventListener('pagehide', onHide);
    return () => {
      watchers -= 1;
      window.removeEventListener('pagehide', onHide);
      setTimeout(() => {
        if (watchers === 0) endOwn(showId, false);
      }, LEFT_MS);
    };
  }, [showId, isWatched]);
  useEffect(() => {
    if (!isWatched) return;
    let left = false;
    const look = async () => {
      if (document.hidden) return;
      const response = await fetch(benchAddress(showId)).catch(() => null);
      if (left || !response?.ok) return;
      useBench.setState({ state: await answerOf<BenchState>(response) });
    };
    void look();
    const timer = setInterval(() => void look(), POLL_MS);
    return () => {
      left = true;
      clearInterval(timer);
      useBench.setState({ state: null });
    };
  }, [showId, isWatched]);
  return useBench(({ state }) => state);
}

const HEADER_BYTES = 4;

/**
 * The light of a prop or of the whole show on the rig, picture after picture as they come, while the window is seen.
 *
 * @param take is given each picture: red, green, blue and white of each pixel
 */
export function useLiveLight(
  showId: string,
  propId: string | null,
  isLive: boolean,
  take: (light: Uint8Array | null) => void,
): void {
  useEffect(() => {
    if (!isLive) return;
    let abort: AbortController | null = null;
    const begin = () => {
      if (document.hidden || abort) return;
      abort = new AbortController();
      void readLight(showId, propId, abort.signal, take);
    };
    const end = () => {
      abort?.abort();
      abort = null;
    };
    const onVisible = () => (document.hidden ? end() : begin());
    begin();
    document.addEventListener('visibilitychange', onVisible);
    return () => {
      document.removeEventListener('visibilitychange', onVisible);
      end();
      take(null);
    };
  }, [showId, propId, isLive, take]);
}

async function readLight(
  showId: string,
  propId: string | null,
  signal: AbortSignal,
  take: (light: Uint8Array) => void,
): Promise<void> {
  try {
    const query = propId === null ? '' : `?prop=${propId}`;
    const response = await fetch(benchAddress(showId, `/light${query}`), { signal });
    const reader = response.ok ? response.body?.getReader() : undefined;
    let rest = new Uint8Array(0);
    while (reader) {
      const { done, value } = await reader.read();
      if (done) return;
      const bytes = new Uint8Array(rest.length + value.length);
      bytes.set(rest);
      bytes.set(value, rest.length);
      rest = takePictures(bytes, take);
    }
  } catch {
    // The window was left, or the server: what it shows is told by its state.
  }
}

/** Hands out the last whole picture. @returns what belongs to the next */
function takePictures(bytes: Uint8Array, take: (light: Uint8Array) => void): Uint8Array<ArrayBuffer> {
  const view = new DataView(bytes.buffer, bytes.byteOffset);
  let at = 0;
  let last: Uint8Array | null = null;
  while (bytes.length - at >= HEADER_BYTES) {
    const length = view.getUint32(at, true);
    if (bytes.length - at - HEADER_BYTES < length) break;
    last = bytes.slice(at + HEADER_BYTES, at + HEADER_BYTES + length);
    at += HEADER_BYTES + length;
  }
  if (last) take(last);
  return bytes.slice(at);
}
