import { aController, aGrid, aLine, aShow } from './shows';
import type { Controller } from '@/core/catalogue/controller';
import type { Prop } from '@/core/props/registry';
import type { PatchEntry, Show } from '@/core/show/schema';

/** Shows at the limits of what is allowed, each small as a file: whatever is allowed must be planned. */

const label = (n: number) => {
  const letter = (at: number) => String.fromCharCode(65 + (at % 26));
  return `${letter(Math.floor(n / 676) + 2)}${letter(Math.floor(n / 26))}${letter(n)}`;
};
const controllers = (count: number, change: Partial<Controller> = {}) =>
  Array.from({ length: count }, (_, i) =>
    aController({
      id: `c${i}`,
      name: `Box ${i}`,
      label: label(i),
      ports: 256,
      mostPixelsPerPort: 4_000_000,
      ...change,
    }),
  );
const put = (propId: string, run: number, controllerId: string, port: number): PatchEntry => ({
  propId,
  run,
  controllerId,
  port,
  skippedPixels: 0,
});

/** As many props as a show holds, each on a port of its own. */
function mostProps(): Show {
  const props = Array.from({ length: 5000 }, (_, i) => aLine(`p${i}`, 50));
  return aShow({
    props,
    controllers: controllers(20, { firstUniverse: null }),
    patch: props.map((prop, i) => put(prop.id, 1, `c${Math.floor(i / 256)}`, (i % 256) + 1)),
  });
}

/** 48,000 runs: 96 nets of 500 rows, a run a row. */
function mostRuns(): Show {
  const props = Array.from({ length: 96 }, (_, i) => aGrid(`p${i}`, 4, 500, { runs: 500 }));
  return aShow({
    props,
    controllers: controllers(188, { firstUniverse: null }),
    patch: props.flatMap((prop, i) =>
      Array.from({ length: 500 }, (_, run) => {
        const at = i * 500 + run;
        return put(prop.id, run + 1, `c${Math.floor(at / 256)}`, (at % 256) + 1);
      }),
    ),
  });
}

/** 240,000 spans: universes of one channel, and 80 controllers that all claim the first of them. */
function mostSpans(): Show {
  const props = Array.from({ length: 80 }, (_, i) => aLine(`p${i}`, 1000));
  return aShow({
    props,
    controllers: controllers(80, { firstUniverse: 1 }),
    patch: props.map((prop, i) => put(prop.id, 1, `c${i}`, 1)),
    addressing: { packing: { kind: 'custom', channelsPerUniverse: 1 }, newUniverse: 'controller' },
  });
}

/** Many runs that all lie on the same channels. */
function mostShared(): Show {
  const props = Array.from({ length: 96 }, (_, i) => aGrid(`p${i}`, 1, 500, { runs: 500 }));
  return aShow({
    props,
    controllers: controllers(96, { firstUniverse: 1 }),
    patch: props.flatMap((prop, i) =>
      Array.from({ length: 500 }, (_, run) => put(prop.id, run + 1, `c${i}`, (run % 256) + 1)),
    ),
  });
}

/** 4,000,000 pixels in four nets, all of them on ports. */
function mostPixels(): Show {
  const props: Prop[] = Array.from({ length: 4 }, (_, i) => aGrid(`p${i}`, 1000, 1000));
  return aShow({
    props,
    controllers: controllers(1, { firstUniverse: null }),
    patch: props.map((prop, i) => put(prop.id, 1, 'c0', i + 1)),
  });
}

/** 48,000 runs on one device that counts its bytes without universes, each with a pixel before it that takes channels. */
function mostFlat(): Show {
  const show = mostRuns();
  return {
    ...show,
    controllers: controllers(1, { protocol: 'ddp', skippedPixelsTakeChannels: true }),
    patch: show.patch.map((entry, i) => ({
      ...entry,
      controllerId: 'c0',
      port: (i % 256) + 1,
      skippedPixels: 1,
    })),
  };
}

/** Nothing is on any port. */
function nothingPlugged(): Show {
  return { ...mostRuns(), patch: [] };
}

export const EXTREMES: readonly [what: string, make: () => Show][] = [
  ['5,000 props', mostProps],
  ['48,000 runs', mostRuns],
  ['48,000 runs on one device without universes', mostFlat],
  ['48,000 runs on no port', nothingPlugged],
  ['240,000 spans in universes of one channel, claimed 80 times', mostSpans],
  ['48,000 runs on channels that 96 controllers claim', mostShared],
  ['4,000,000 pixels', mostPixels],
];
