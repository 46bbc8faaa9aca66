import type { PropGeometry } from '../props/registry';
import type { Threaded } from '../threading/thread';

/**
 * Threaded geometry by content: two props of the same shape and threading share it, and an edit elsewhere leaves it
 * alone. What the last two plans did not use is dropped, so that undoing the latest edit is still quick.
 */
export class PlanCache {
  private current = new Map<string, Threaded>();
  private previous = new Map<string, Threaded>();

  threadAll(props: readonly PropGeometry[], threadProp: (prop: PropGeometry) => Threaded): Threaded[] {
    const next = new Map<string, Threaded>();
    const threaded = props.map((prop) => {
      const key = JSON.stringify([prop.kind, prop.shape, prop.threading]);
      const found = next.get(key) ?? this.current.get(key) ?? this.previous.get(key) ?? threadProp(prop);
      next.set(key, found);
      return found;
    });
    this.previous = this.current;
    this.current = next;
    return threaded;
  }
}
