import { IconAdjustments } from '@tabler/icons-react';
import { useShow } from '../show/ShowProvider';
import { stageOf } from '@/core/stages/stages';
import { useGoTo, useSelection } from '../view/useView';
import { focusField } from './focusField';
import { useDialog } from '../view/openDialog';
import type { SearchItem } from '../view/searchItem';
import { SETTINGS } from './settings';

/** Settings by the label of their field; one of a prop is that of the prop that is chosen, or of the first. */
export function useSettingItems(): SearchItem[] {
  const goTo = useGoTo();
  const selection = useSelection();
  const props = useShow((state) => state.show.props);
  const { show } = useDialog();
  const prop = props[selection.prop ?? 0];
  return SETTINGS.flatMap(({ label, also, at }): SearchItem[] => {
    const item = {
      key: `setting ${label}`,
      label,
      also: `setting ${also}`,
      icon: <IconAdjustments size={20} />,
    };
    if ('dialog' in at) return [{ ...item, description: 'setting', run: () => show(at.dialog) }];
    const { label: stage } = stageOf(at.stage);
    if (at.whole)
      return [
        {
          ...item,
          description: `setting of the whole show · leads to ${stage}`,
          run: () => {
            goTo({ stage: at.stage, subject: null, sheet: null });
            focusField(label);
          },
        },
      ];
    if (!prop) return [];
    return [
      {
        ...item,
        description: `setting of ${prop.name} · leads to ${stage}`,
        run: () => {
          goTo({ stage: at.stage, subject: { kind: 'prop', propId: prop.id }, sheet: null });
          focusField(label);
        },
      },
    ];
  });
}
