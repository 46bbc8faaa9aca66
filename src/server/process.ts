/**
 * A place that all of this process share. Pages and route handlers are bundled apart, so a variable of a module would be there once
 * for each bundle.
 */
export function placeInProcess<Kept>(name: string): { kept?: Kept } {
  const { rapidLantern } = Object.assign(globalThis, {
    rapidLantern: (globalThis as { rapidLantern?: Record<string, object> }).rapidLantern ?? {},
  });
  return (rapidLantern[name] ??= {});
}
