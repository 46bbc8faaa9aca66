import { Menu } from '@mantine/core';
import { useHandOut } from '@/ui/handingOut';
import { useShow } from '../show/ShowProvider';
import { useGoTo, useSelection, useView } from '../view/useView';
import { inGroups, listedSheets, SHEET_GROUP_WORDS, sheetsChosen } from './listed';
import { usePrint } from './usePrint';

const MOST_LISTED = 14;

/** The sheet as shown, its papers, those of its stage first, and the way to all others. */
export function PrintItems() {
  const plan = useShow((state) => state.plan);
  const facts = useShow((state) => state.facts);
  const showId = useShow((state) => state.id);
  const selection = useSelection();
  const { stage } = useView();
  const goTo = useGoTo();
  const handOut = useHandOut();
  const { fileOf, isSaved } = usePrint();
  if (!plan) return null;
  const own = sheetsChosen(plan, listedSheets(plan, facts, showId), selection).filter(
    ({ isPaper }) => isPaper,
  );
  const groups = inGroups(own);
  const sorted = [
    ...groups.filter(({ group }) => group === stage),
    ...groups.filter(({ group }) => group !== stage),
  ];
  let left = MOST_LISTED;
  return (
    <>
      <Menu.Item
        // The menu has to be gone from the page by then.
        onClick={() => setTimeout(() => window.print(), 150)}
      >
        This view as it is
      </Menu.Item>
      {!isSaved && <Menu.Label>Saving first: what was just changed is not in the files yet.</Menu.Label>}
      {sorted.map(({ group, sheets }) => {
        const shown = sheets.slice(0, left);
        left -= shown.length;
        if (shown.length === 0) return null;
        return (
          <div key={group}>
            <Menu.Label>{SHEET_GROUP_WORDS[group]}</Menu.Label>
            {shown.map(({ id, name }) => (
              <Menu.Item
                key={id}
                component="a"
                href={fileOf(`${id}.pdf`)}
                target="_blank"
                disabled={!isSaved}
                onClick={() => handOut('printed', name)}
              >
                {name}
              </Menu.Item>
            ))}
          </div>
        );
      })}
      <Menu.Divider />
      <Menu.Item onClick={() => goTo({ stage: 'print' })}>All sheets, labels and the binder…</Menu.Item>
    </>
  );
}
