import { notifications } from '@mantine/notifications';
import { create } from 'zustand';
import type { SendQuestion, BenchRequest, BenchState, SendWish, SentTest } from '@/core/rig/benchState';
import { windowId } from '../show/windowId';
import { answerOf } from '../show/answerOf';

/** Something has to be agreed to before it is done. */
interface Asked {
  message: string;
  question: SendQuestion;
  agree: () => void;
  leave: () => void;
}

interface Known {
  state: BenchState | null;
  asked: Asked | null;
  /** Wish of this window's test; null while it sends none. */
  sentAs: string | null;
}

/** The bench of the server, as it was last heard of. */
export const useBench = create<Known>(() => ({ state: null, asked: null, sentAs: null }));

interface BenchAnswer {
  state: BenchState;
  reply?: { shortName: string; outputs: number[] } | null;
}

/** Address of the bench of a show, and of its parts. */
export const benchAddress = (showId: string, part = '') => `/api/shows/${showId}/bench${part}`;

/** Says something to the bench. @param keepalive the page is on its way out. @returns null where nobody is there */
export function postBench(
  showId: string,
  request: BenchRequest,
  keepalive = false,
): Promise<Response | null> {
  return fetch(benchAddress(showId), {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(request),
    keepalive,
  }).catch(() => null);
}

/**
 * Asks something of the bench. What has to be agreed to first is put to the builder; what cannot be done is said.
 *
 * @returns null where it was not done
 */
export async function askBench(showId: string, request: BenchRequest): Promise<BenchAnswer | null> {
  const response = await postBench(showId, request);
  if (!response) {
    notifications.show({ message: 'The server of this page is not there: nothing is sent.', color: 'red' });
    return null;
  }
  const answer = await answerOf<BenchAnswer & { error?: string; question?: SendQuestion }>(response);
  if (response.ok && !answer.question) {
    useBench.setState({ state: answer.state });
    return answer;
  }
  const { error = 'The bench cannot do this.', question } = answer;
  if (!question) {
    notifications.show({ message: error, color: 'red' });
    return null;
  }
  return new Promise((resolve) => {
    const close = () => useBench.setState({ asked: null });
    useBench.setState({
      asked: {
        message: error,
        question,
        agree: () => {
          close();
          resolve(agreed(showId, request, question));
        },
        leave: () => {
          close();
          resolve(null);
        },
      },
    });
  });
}

/** The same again, with what was agreed to. */
async function agreed(
  showId: string,
  request: BenchRequest,
  question: SendQuestion,
): Promise<BenchAnswer | null> {
  if (question.about === 'takeOver') {
    const opened = await askBench(showId, { do: 'open', takeOver: true });
    return opened && request.do !== 'open' ? askBench(showId, request) : opened;
  }
  if (question.about === 'level')
    return request.do === 'send' || request.do === 'change'
      ? askBench(showId, { ...request, isBrightMeant: true })
      : null;
  const confirmed = question.addresses.map(({ address }) => address);
  return request.do === 'send' || request.do === 'poll' ? askBench(showId, { ...request, confirmed }) : null;
}

/**
 * Sends a test from this window, or changes the one that it sends already.
 *
 * @param wish null where it is sent as it is by now, and only the test is another
 * @param isHeld it ends by itself soon after this window is not heard of any more
 * @returns whether it was done: what was sent before goes on otherwise
 */
export async function sendTest(
  showId: string,
  test: SentTest,
  wish: SendWish | null,
  isHeld = false,
): Promise<boolean> {
  const answer = await askBench(
    showId,
    wish === null
      ? { do: 'change', test }
      : { do: 'send', test, wish, by: windowId(), ...(isHeld && { isHeld }) },
  );
  return answer !== null;
}

/** Stops what is sent, by whomever. */
export const stopSending = (showId: string) => askBench(showId, { do: 'stop' });
