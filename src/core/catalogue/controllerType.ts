import { z } from 'zod';
import { idSchema, nameSchema } from '../fields/fields';
import { orderSchema } from '../fields/order';

export const CONTROLLER_CLASSES = [
  'ethernet',
  'wifi',
  'hat',
  'panelPlayer',
  'panelCard',
  'serial',
  'flight',
  'tiles',
] as const;
export type ControllerClass = (typeof CONTROLLER_CLASSES)[number];

export const CLASS_WORDS: Record<ControllerClass, string> = {
  ethernet: 'Ethernet pixel controller',
  wifi: 'Wi-Fi microcontroller',
  hat: 'Small computer with a pixel hat',
  panelPlayer: 'Small computer with a panel hat',
  panelCard: 'Panel receiver card',
  serial: 'Serial-fed microcontroller',
  flight: 'Flight board',
  tiles: 'Tiles that carry their own address',
};

const limit = <Value extends z.ZodType>(value: Value) =>
  z.strictObject({
    value,
    /** Where it comes from: a data sheet, a manual, a test. */
    source: z.string().max(200),
  });

/** A kind of controller by what it can do. Each limit says where it comes from; one that nobody knows is absent. */
export const controllerTypeSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  class: z.enum(CONTROLLER_CLASSES),
  ports: z.int().min(1).max(256),
  /** How the most pixels a port fall with more ports switched on: each step holds up to so many ports. */
  pixelsPerPort: limit(
    z
      .array(z.strictObject({ upToPorts: z.int().min(1).max(256), pixels: z.int().min(1).max(4_000_000) }))
      .min(1)
      .max(16),
  ),
  mostPixels: limit(z.int().min(1).max(4_000_000)).optional(),
  mostUniverses: limit(z.int().min(1).max(63_999)).optional(),
  /** Sizes of universes that it takes. */
  packings: limit(z.array(z.enum(['wholePixels', 'full512', 'custom'])).min(1)).optional(),
  /** Whether a pixel may lie across two universes. */
  straddles: limit(z.boolean()).optional(),
  /** Whether a port may read more than one universe. */
  severalUniversesPerPort: limit(z.boolean()).optional(),
  /** Art-Net before version 3 has no net: port-addresses 0..255. */
  artNetNets: limit(z.boolean()).optional(),
  /** What its link carries. */
  linkMbits: limit(z.number().min(0.01).max(10_000)).optional(),
  /** Expansion or remote receiver boards: how far the cable to them may be. */
  receiverCableMm: limit(z.number().min(1).max(1_000_000)).optional(),
  /** Printed label, number in software, and what the pin does at boot: three different things. */
  pins: z
    .array(
      z.strictObject({ label: z.string().max(20), number: z.string().max(20), boot: z.string().max(120) }),
    )
    .max(64)
    .optional(),
  /** A pin that must stay free, and why. */
  keepFree: z.string().max(120).optional(),
  /** Of a serial-fed one. */
  baud: z.int().min(300).max(10_000_000).optional(),
  order: orderSchema,
});
export type ControllerType = z.infer<typeof controllerTypeSchema>;

const usual = 'usual for this class; the manual of yours decides';

/** Classes to start from. A show keeps its own copy of each that it uses. */
export const SHIPPED_CONTROLLER_TYPES: readonly ControllerType[] = [
  {
    id: 'ethernet-16',
    name: '16 ports, Ethernet',
    class: 'ethernet',
    ports: 16,
    pixelsPerPort: {
      value: [
        { upToPorts: 8, pixels: 1024 },
        { upToPorts: 16, pixels: 680 },
      ],
      source: usual,
    },
    mostUniverses: { value: 96, source: usual },
    straddles: { value: true, source: usual },
    severalUniversesPerPort: { value: true, source: usual },
    artNetNets: { value: true, source: usual },
    linkMbits: { value: 100, source: 'Fast Ethernet' },
    receiverCableMm: { value: 60_000, source: 'usual for differential receivers on network cable' },
  },
  {
    id: 'ethernet-4',
    name: '4 ports, Ethernet',
    class: 'ethernet',
    ports: 4,
    pixelsPerPort: { value: [{ upToPorts: 4, pixels: 1024 }], source: usual },
    mostUniverses: { value: 24, source: usual },
    severalUniversesPerPort: { value: true, source: usual },
    artNetNets: { value: true, source: usual },
    linkMbits: { value: 100, source: 'Fast Ethernet' },
  },
  {
    id: 'wifi-2',
    name: 'Wi-Fi microcontroller, 2 pins',
    class: 'wifi',
    ports: 2,
    pixelsPerPort: {
      value: [
        { upToPorts: 1, pixels: 800 },
        { upToPorts: 2, pixels: 500 },
      ],
      source: usual,
    },
    mostUniverses: { value: 9, source: usual },
    straddles: { value: false, source: usual },
    linkMbits: { value: 5, source: 'Wi-Fi in a garden, unicast; multicast carries far less' },
    pins: [
      { label: 'D4', number: 'GPIO2', boot: 'high at boot: the first pixel flashes' },
      { label: 'RX', number: 'GPIO3', boot: 'serial input: quiet at boot' },
    ],
  },
  {
    id: 'pixel-hat-2',
    name: 'Small computer, 2 pixel outputs',
    class: 'hat',
    ports: 2,
    pixelsPerPort: { value: [{ upToPorts: 2, pixels: 800 }], source: usual },
    severalUniversesPerPort: { value: true, source: usual },
    linkMbits: { value: 100, source: 'Fast Ethernet' },
  },
  {
    id: 'panel-player',
    name: 'Small computer with panel outputs',
    class: 'panelPlayer',
    ports: 1,
    pixelsPerPort: { value: [{ upToPorts: 1, pixels: 100_000 }], source: usual },
    straddles: { value: true, source: usual },
    severalUniversesPerPort: { value: true, source: usual },
    linkMbits: { value: 100, source: 'Fast Ethernet' },
  },
  {
    id: 'panel-card',
    name: 'Receiver card, raw frames',
    class: 'panelCard',
    ports: 1,
    pixelsPerPort: { value: [{ upToPorts: 1, pixels: 65_536 }], source: usual },
    linkMbits: { value: 1000, source: 'needs a gigabit link, straight to the sender' },
  },
  {
    id: 'serial-1',
    name: 'Serial-fed microcontroller',
    class: 'serial',
    ports: 1,
    pixelsPerPort: { value: [{ upToPorts: 1, pixels: 300 }], source: usual },
    baud: 115_200,
  },
  {
    id: 'flight-board',
    name: 'Flight board',
    class: 'flight',
    ports: 1,
    pixelsPerPort: { value: [{ upToPorts: 1, pixels: 32 }], source: usual },
    keepFree: 'the pin of the receiver: it steers the craft',
  },
  {
    id: 'own-address-tiles',
    name: 'Chain of addressed tiles',
    class: 'tiles',
    ports: 1,
    pixelsPerPort: { value: [{ upToPorts: 1, pixels: 10_000 }], source: usual },
    straddles: { value: false, source: 'a tile reads one universe' },
    artNetNets: { value: true, source: 'net, sub-net and universe are set on its menu' },
  },
];

/** The most pixels on a port when so many ports are switched on. */
export function pixelsPerPortWith(type: ControllerType, portsOn: number): number {
  const steps = [...type.pixelsPerPort.value].sort((a, b) => a.upToPorts - b.upToPorts);
  return (steps.find((step) => step.upToPorts >= portsOn) ?? steps.at(-1)!).pixels;
}
