import { useMantineColorScheme } from '@mantine/core';
import { IconCommand } from '@tabler/icons-react';
import { otherSide } from '@/core/threading/view';
import { useHandOut } from '@/ui/handingOut';
import { useEdit, useShow, useShowStore } from '../show/ShowProvider';
import { STAGES, keyOf } from '@/core/stages/stages';
import { useGoTo, useView } from '../view/useView';
import { useDialog } from '../view/openDialog';
import type { SearchItem } from '../view/searchItem';

/** Commands from anywhere. */
export function useCommands(): SearchItem[] {
  const store = useShowStore();
  const id = useShow((state) => state.id);
  const lengths = useShow((state) => state.show.lengths ?? 'metric');
  const { side } = useView();
  const goTo = useGoTo();
  const edit = useEdit();
  const { toggleColorScheme } = useMantineColorScheme();
  const { show } = useDialog();
  const handOut = useHandOut();
  const command = (label: string, description: string, run: () => void, also?: string): SearchItem => ({
    key: label,
    label,
    description,
    icon: <IconCommand size={20} />,
    run,
    ...(also ? { also } : {}),
  });
  const download = (file: string, what?: string) => () => {
    if (what) handOut('downloaded', what);
    window.location.assign(`/api/shows/${id}/${file}`);
  };
  const print = () => {
    // The search has to be gone from the page by then.
    setTimeout(() => window.print(), 100);
  };
  const files = 'export csv json file save';
  return [
    command(
      'Practise finding faults',
      'A small display with something hidden that is the matter',
      () => window.location.assign('/practice'),
      'practice training game',
    ),
    ...STAGES.map((stage) =>
      command(
        `Go to ${stage.label}`,
        `${stage.purpose}, key ${keyOf(stage)}`,
        () => goTo({ stage: stage.id }),
        `stage ${stage.purpose}`,
      ),
    ),
    command('All props', 'Nothing chosen: the whole show', () => goTo({ subject: null }), 'whole show'),
    command('Undo', 'Ctrl Z', () => store.getState().undo(), 'back'),
    command('Redo', 'Ctrl Shift Z', () => store.getState().redo(), 'again'),
    command(
      'See it from the other side',
      'Key F',
      () => goTo({ side: otherSide(side) }, 'replace'),
      'front back flip mirror',
    ),
    command(
      'Show all of it',
      'Key Z',
      () => window.dispatchEvent(new Event('rapid-lantern:fit')),
      'fit zoom',
    ),
    command('Add a prop', 'Of any kind', () => show('addProp'), 'new'),
    command('Print what is shown', 'The sheet in the middle, black on white', print, 'paper pdf'),
    command(
      'Download the channel map',
      'CSV, one line a pixel',
      download('channel-map.csv', 'Channel map'),
      files,
    ),
    command('Download the spans', 'CSV, one line a span', download('spans.csv', 'Spans'), files),
    command('Download the show file', 'JSON', download('show.json'), `${files} backup copy`),
    command(
      'Download everything of this show',
      'Zip, with photos, notes and history',
      download('archive.zip'),
      `${files} backup copy archive photos`,
    ),
    command(
      'Phone pages',
      'Ports and values to type, with large targets',
      () => window.location.assign(`/phone/${id}`),
      'phone ladder tick',
    ),
    command(
      'Phones',
      'Let one in, send one away, agree to what they send to',
      () => show('phones'),
      'lan network code access qr wifi',
    ),
    command(
      'Sheets as files',
      'PDF, SVG, CSV, JSON',
      () => goTo({ stage: 'print' }),
      `${files} tables print`,
    ),
    command('Rename this show', 'Of this show', () => show('rename'), 'name title'),
    command('Pixel types', 'Of this show', () => show('pixelTypes'), 'chip colour order volts'),
    command('Places on site', 'Of this show', () => show('places')),
    command(
      'Change between dark and light',
      'For daylight, or for the night',
      () => toggleColorScheme(),
      'theme colour scheme',
    ),
    command(
      lengths === 'imperial' ? 'Lengths in metres' : 'Lengths in feet and inches',
      'Of this show',
      () => edit({ type: 'setLengths', lengths: lengths === 'imperial' ? 'metric' : 'imperial' }),
      'units imperial metric',
    ),
    command('Keys', '?', () => show('keys'), 'shortcuts help keyboard'),
  ];
}
