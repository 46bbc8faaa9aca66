import { z } from 'zod';
import { figureSchema, usual } from '../figures/figure';
import { idSchema, nameSchema } from '../fields/fields';
import { orderSchema } from '../fields/order';
import { partNotesSchema } from './partNotes';

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

/** A kind of controller by what it can do. Each limit says what it stands on; one that nobody knows is absent. */
export const controllerTypeSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  class: z.enum(CONTROLLER_CLASSES),
  ports: z.int().min(1).max(256),
  /** How the most pixels a port fall with more ports switched on: each step holds up to so many ports. */
  pixelsPerPort: figureSchema(
    z
      .array(z.strictObject({ upToPorts: z.int().min(1).max(256), pixels: z.int().min(1).max(4_000_000) }))
      .min(1)
      .max(16),
  ),
  mostPixels: figureSchema(z.int().min(1).max(4_000_000)).optional(),
  mostUniverses: figureSchema(z.int().min(1).max(63_999)).optional(),
  /** Sizes of universes that it takes. */
  packings: figureSchema(z.array(z.enum(['wholePixels', 'full512', 'custom'])).min(1)).optional(),
  /** Whether a pixel may lie across two universes. */
  straddles: figureSchema(z.boolean()).optional(),
  /** Whether a port may read more than one universe. */
  severalUniversesPerPort: figureSchema(z.boolean()).optional(),
  /** Art-Net before version 3 has no net: port-addresses 0..255. */
  artNetNets: figureSchema(z.boolean()).optional(),
  /** What its link carries. */
  linkMbits: figureSchema(z.number().min(0.01).max(10_000)).optional(),
  /** Expansion or remote receiver boards: how far the cable to them may be. */
  receiverCableMm: figureSchema(z.number().min(1).max(1_000_000)).optional(),
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
  notes: partNotesSchema,
  order: orderSchema,
});
export type ControllerType = z.infer<typeof controllerTypeSchema>;

/** What the shipped limits stand on. */
const OF_CLASS = 'usual for this class; the manual of yours decides';

/** Classes to start from. A show keeps its own copy of each that it uses. */
export const SHIPPED_CONTROLLER_TYPES: readonly ControllerType[] = [
  {
    id: 'ethernet-16',
    name: '16 ports, Ethernet',
    class: 'ethernet',
    ports: 16,
    pixelsPerPort: usual(
      [
        { upToPorts: 8, pixels: 1024 },
        { upToPorts: 16, pixels: 680 },
      ],
      OF_CLASS,
    ),
    mostUniverses: usual(96, OF_CLASS),
    straddles: usual(true, OF_CLASS),
    severalUniversesPerPort: usual(true, OF_CLASS),
    artNetNets: usual(true, OF_CLASS),
    linkMbits: usual(100, 'Fast Ethernet'),
    receiverCableMm: usual(60_000, 'usual for differential receivers on network cable'),
  },
  {
    id: 'ethernet-4',
    name: '4 ports, Ethernet',
    class: 'ethernet',
    ports: 4,
    pixelsPerPort: usual([{ upToPorts: 4, pixels: 1024 }], OF_CLASS),
    mostUniverses: usual(24, OF_CLASS),
    severalUniversesPerPort: usual(true, OF_CLASS),
    artNetNets: usual(true, OF_CLASS),
    linkMbits: usual(100, 'Fast Ethernet'),
  },
  {
    id: 'wifi-2',
    name: 'Wi-Fi microcontroller, 2 pins',
    class: 'wifi',
    ports: 2,
    pixelsPerPort: usual(
      [
        { upToPorts: 1, pixels: 800 },
        { upToPorts: 2, pixels: 500 },
      ],
      OF_CLASS,
    ),
    mostUniverses: usual(9, OF_CLASS),
    straddles: usual(false, OF_CLASS),
    linkMbits: usual(5, 'Wi-Fi in a garden, unicast; multicast carries far less'),
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
    pixelsPerPort: usual([{ upToPorts: 2, pixels: 800 }], OF_CLASS),
    severalUniversesPerPort: usual(true, OF_CLASS),
    linkMbits: usual(100, 'Fast Ethernet'),
  },
  {
    id: 'panel-player',
    name: 'Small computer with panel outputs',
    class: 'panelPlayer',
    ports: 1,
    pixelsPerPort: usual([{ upToPorts: 1, pixels: 100_000 }], OF_CLASS),
    straddles: usual(true, OF_CLASS),
    severalUniversesPerPort: usual(true, OF_CLASS),
    linkMbits: usual(100, 'Fast Ethernet'),
  },
  {
    id: 'panel-card',
    name: 'Receiver card, raw frames',
    class: 'panelCard',
    ports: 1,
    pixelsPerPort: usual([{ upToPorts: 1, pixels: 65_536 }], OF_CLASS),
    linkMbits: usual(1000, 'needs a gigabit link, straight to the sender'),
  },
  {
    id: 'serial-1',
    name: 'Serial-fed microcontroller',
    class: 'serial',
    ports: 1,
    pixelsPerPort: usual([{ upToPorts: 1, pixels: 300 }], OF_CLASS),
    baud: 115_200,
  },
  {
    id: 'flight-board',
    name: 'Flight board',
    class: 'flight',
    ports: 1,
    pixelsPerPort: usual([{ upToPorts: 1, pixels: 32 }], OF_CLASS),
    keepFree: 'the pin of the receiver: it steers the craft',
  },
  {
    id: 'own-address-tiles',
    name: 'Chain of addressed tiles',
    class: 'tiles',
    ports: 1,
    pixelsPerPort: usual([{ upToPorts: 1, pixels: 10_000 }], OF_CLASS),
    straddles: usual(false, 'a tile reads one universe'),
    artNetNets: usual(true, 'net, sub-net and universe are set on its menu'),
  },
];

/** The most pixels on a port when so many ports are switched on. */
export function pixelsPerPortWith(type: ControllerType, portsOn: number): number {
  const steps = [...type.pixelsPerPort.value].sort((a, b) => a.upToPorts - b.upToPorts);
  return (steps.find((step) => step.upToPorts >= portsOn) ?? steps.at(-1)!).pixels;
}
