import { IconNotebook } from '@tabler/icons-react';
import { useMemo } from 'react';
import { isByHand } from '@/core/log/about';
import { KIND_WORDS, logEntry } from '@/core/log/entry';
import type { SearchItem } from '../view/searchItem';
import { useShow } from '../show/ShowProvider';
import type { Subject } from '../view/address';
import { useGoTo } from '../view/useView';

/** Entries of the log, for the search. @param wanted it has been opened: until then nothing is listed */
export function useLogItems(wanted: boolean): SearchItem[] {
  const show = useShow((state) => state.show);
  const facts = useShow((state) => state.facts);
  const goTo = useGoTo();
  const entries = useMemo(
    () => (wanted ? facts.all.filter(isByHand).map((fact) => logEntry(show, fact)) : []),
    [wanted, show, facts],
  );
  return entries.toReversed().map(({ fact, kind, thing, what, value }) => {
    const subject: Subject | null =
      fact.list === 'props'
        ? { kind: 'prop', propId: fact.recordId }
        : fact.list === 'controllers'
          ? { kind: 'controller', controllerId: fact.recordId }
          : null;
    return {
      key: `log ${fact.id}`,
      label: `${thing}: ${what}${value === null ? '' : `, ${value}`}`.slice(0, 200),
      description: `${KIND_WORDS[kind]} ${fact.at.slice(0, 10)}${fact.by ? ` by ${fact.by}` : ''} · leads to Log`,
      also: `log note ${KIND_WORDS[kind]} ${fact.by ?? ''}`,
      icon: <IconNotebook size={20} />,
      run: () => goTo({ stage: 'log', subject }),
    };
  });
}
