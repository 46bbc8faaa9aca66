import { IconTable } from '@tabler/icons-react';
import { useEffect, useState } from 'react';
import { useShow } from '../show/ShowProvider';
import { STAGES } from '@/core/stages/stages';
import type { StageParts } from '../sheets/stageParts';
import { loadStage } from '../stages/useStageParts';
import { useGoTo, useSelection } from '../view/useView';
import type { SearchItem } from '../view/searchItem';

/** Every sheet of every stage, of what is chosen now. @param wanted the search has been opened: until then no stage is fetched for it */
export function useSheetItems(wanted: boolean): SearchItem[] {
  const plan = useShow((state) => state.plan);
  const facts = useShow((state) => state.facts);
  const selection = useSelection();
  const goTo = useGoTo();
  const [parts, setParts] = useState<ReadonlyMap<string, StageParts>>(new Map());
  useEffect(() => {
    if (!wanted) return;
    for (const stage of STAGES)
      loadStage(stage).then(
        (loaded) => setParts((known) => new Map(known).set(stage.id, loaded)),
        // One that cannot be fetched is told where it is gone to.
        () => {},
      );
  }, [wanted]);
  if (!plan) return [];
  return STAGES.flatMap((stage) => {
    const { sheets = [] } = parts.get(stage.id)?.sheets({ plan, selection, facts }) ?? {};
    return sheets.map(({ id, label }, i): SearchItem => ({
      key: `sheet ${stage.id} ${id}`,
      label,
      description: `sheet of ${stage.label}`,
      also: `sheet ${stage.label}`,
      icon: <IconTable size={20} />,
      run: () => goTo({ stage: stage.id, sheet: i === 0 ? null : id }),
    }));
  });
}
