import { Button } from '@mantine/core';
import { Component, lazy, Suspense, type ReactNode } from 'react';
import { Hint } from './Panel';

class NotFetched extends Error {}

/**
 * A part that is fetched when it is first drawn. It stands inside `Fetched`.
 *
 * @param load gives the component, mostly by an import of its file.
 */
export function fetched<Props extends object>(
  load: () => Promise<(props: Props) => ReactNode>,
): (props: Props) => ReactNode {
  const Part = lazy(async () => {
    try {
      return { default: await load() };
    } catch (cause) {
      throw new NotFetched('A part could not be fetched.', { cause });
    }
  });
  return Part as unknown as (props: Props) => ReactNode;
}

/** Around parts that are fetched: empty while they are on their way, and a sentence where they do not come. */
export function Fetched({ children }: { children: ReactNode }) {
  return (
    <Boundary>
      <Suspense fallback={null}>{children}</Suspense>
    </Boundary>
  );
}

/** React keeps a part that did not come as failed, so the page is loaded again to ask once more. */
class Boundary extends Component<{ children: ReactNode }, { error: unknown }> {
  override state = { error: null };
  static getDerivedStateFromError = (error: unknown) => ({ error });
  override render() {
    const error: unknown = this.state.error;
    if (error === null) return this.props.children;
    if (!(error instanceof NotFetched)) throw error;
    return (
      <>
        <Hint>This part could not be fetched from the server. What you entered is kept.</Hint>
        <Button variant="default" onClick={() => window.location.reload()}>
          Load the page again
        </Button>
      </>
    );
  }
}
