import { kindOf, type PropGeometry } from '../props/registry';
import type { Threaded } from '../threading/thread';

/** Props are never written to, so what is said of one holds as long as it does. */
const keys = new WeakMap<PropGeometry, string>();

function keyOf(prop: PropGeometry): string {
  let key = keys.get(prop);
  if (key === undefined) {
    const order = kindOf(prop).orderOf?.(prop.threading) ?? prop.threading;
    key = JSON.stringify([prop.kind, prop.shape, order]);
    keys.set(prop, key);
  }
  return key;
}

/**
 * Threaded geometry by content: two props of the same shape and threading share it, and an edit elsewhere leaves it
 * alone. What the last two plans did not use is dropped, so that undoing the latest edit is still quick.
 */
export class PlanCache {
  private current = new Map<string, Threaded>();
  private previous = new Map<string, Threaded>();

  threadAll(
    props: readonly PropGeometry[],
    threadProp: (prop: PropGeometry) => Threaded,
    progress: (part: number) => void = () => undefined,
  ): Threaded[] {
    const next = new Map<string, Threaded>();
    const threaded = props.map((prop, i) => {
      const key = keyOf(prop);
      let found = next.get(key) ?? this.current.get(key) ?? this.previous.get(key);
      if (!found) {
        found = threadProp(prop);
        progress((i + 1) / props.length);
      }
      next.set(key, found);
      return found;
    });
    this.previous = this.current;
    this.current = next;
    return threaded;
  }
}
