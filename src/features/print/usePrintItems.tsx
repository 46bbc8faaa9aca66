import { IconPrinter } from '@tabler/icons-react';
import { useEffect, useState } from 'react';
import type { Sheet } from '@/core/pages/sheet';
import { useHandOut } from '@/ui/handingOut';
import type { SearchItem } from '../view/searchItem';
import { useShow } from '../show/ShowProvider';
import { useGoTo } from '../view/useView';
import { usePrint } from '../sheets/usePrint';

/** Every sheet that can be printed, for the search. @param wanted it has been opened: until then nothing is fetched or listed */
export function usePrintItems(wanted: boolean): SearchItem[] {
  const plan = useShow((state) => state.plan);
  const facts = useShow((state) => state.facts);
  const id = useShow((state) => state.id);
  const handOut = useHandOut();
  const goTo = useGoTo();
  const { fileOf, isSaved } = usePrint();
  const [sheets, setSheets] = useState<readonly Sheet[]>([]);
  useEffect(() => {
    if (!wanted || !plan) return;
    let left = false;
    import('../sheets/listed').then(
      ({ listedSheets }) => left || setSheets(listedSheets(plan, facts, id)),
      // The stage itself says that it cannot be fetched.
      () => {},
    );
    return () => {
      left = true;
    };
  }, [wanted, plan, facts, id]);
  return sheets.flatMap((sheet) => {
    const isLabels = sheet.group === 'labels';
    if (!sheet.isPaper && !isLabels) return [];
    return [
      {
        key: `print ${sheet.id}`,
        label: `Print ${sheet.name}`,
        description: 'PDF, in a new tab',
        also: `paper pdf ${sheet.side ?? ''}`,
        icon: <IconPrinter size={20} />,
        run: () => {
          if (isSaved) handOut('printed', sheet.name);
          // An unsaved change is not in the file; and not every browser lets a tab be opened. Then the sheet is shown with its button.
          if (!isSaved || !window.open(fileOf(`${sheet.id}.pdf`), '_blank'))
            goTo({ stage: 'print', paper: sheet.id });
        },
      },
    ];
  });
}
