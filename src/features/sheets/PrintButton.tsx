import { Button } from '@mantine/core';
import { IconPrinter } from '@tabler/icons-react';
import { useHandOut } from '@/ui/handingOut';
import { usePrint } from './usePrint';

/** Opens a sheet as it is printed, once all that was done is in it, and notes that it was. */
export function PrintButton({
  sheet,
  name,
  label = 'Print (PDF)',
  isMain,
}: {
  /** Its id. */
  sheet: string;
  name: string;
  label?: string;
  /** It is what this view is for. */
  isMain?: boolean;
}) {
  const handOut = useHandOut();
  const { fileOf, isSaved } = usePrint();
  return (
    <Button
      component="a"
      {...(isMain ? { size: 'compact-md' } : { variant: 'default' })}
      href={fileOf(`${sheet}.pdf`)}
      target="_blank"
      leftSection={<IconPrinter size={15} />}
      aria-disabled={!isSaved}
      data-disabled={!isSaved || undefined}
      onClick={(event) => {
        if (isSaved) handOut('printed', name);
        else event.preventDefault();
      }}
    >
      {isSaved ? label : 'Saving first…'}
    </Button>
  );
}
