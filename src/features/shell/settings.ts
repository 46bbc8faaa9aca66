import type { StageId } from '@/core/stages/stages';
import type { DialogName } from '../view/openDialog';

/** A setting that is not on every screen, and where it is set. */
interface SettingPlace {
  /** As its field is labelled. */
  label: string;
  /** Other words that people look for it by. */
  also: string;
  at:
    | { stage: StageId; whole: true }
    | { stage: StageId; whole?: false }
    | { dialog: Exclude<DialogName, null> };
}

const show = { stage: 'patch', whole: true } as const;
const fed = { stage: 'power', whole: true } as const;
const patched = { stage: 'patch' } as const;
const built = { stage: 'build' } as const;
const threaded = { stage: 'route' } as const;

/** Settings by the label of their field. Those of the whole show are seen with no prop chosen, the others with one. */
export const SETTINGS: readonly SettingPlace[] = [
  { label: 'Before addresses move', also: 'ask move warn silent', at: show },
  { label: 'A new universe begins', also: 'universe per prop controller', at: show },
  { label: 'Inside a controller, channels follow', also: 'order of ports props', at: show },
  { label: 'The first show channel is', also: 'start channel offset', at: show },
  { label: 'A universe counts, in show channels', also: '510 512 universe size packing', at: show },
  { label: 'Colours are put in order', also: 'colour order rgb grb sender controller', at: show },
  { label: 'Brightest level, in percent', also: 'power cap level', at: fed },
  { label: 'White of four channels is made by', also: 'rgbw white', at: fed },
  { label: 'Pixel type', also: 'chip colour order volts', at: built },
  { label: 'Place on site', also: 'where', at: built },
  { label: 'Split into runs', also: 'ports strings', at: threaded },
  { label: 'Skipped before it', also: 'null hidden pixels', at: patched },
  { label: 'Channels kept free after it', also: 'spare gap reserve', at: patched },
];
