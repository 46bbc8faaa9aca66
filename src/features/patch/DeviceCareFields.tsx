import { Switch } from '@mantine/core';
import { CARE_WORDS, careOf, DEVICE_CARE, firmwareFound, isCaredFor } from '@/core/show/facts';
import { WordsField } from '@/ui/fields/WordsField';
import { Hint, Stack } from '@/ui/Panel';
import { useNote, useShow } from '../show/ShowProvider';

/** Which firmware a device was seen with, and what is done once at it. These are facts about the device, outside of undo. */
export function DeviceCareFields({ controllerId }: { controllerId: string }) {
  const note = useNote();
  const facts = useShow((state) => state.facts);
  const firmware = facts.firmwareOf(controllerId);
  return (
    <Stack>
      <WordsField
        label="Firmware seen on it"
        placeholder="as its own page says"
        most={60}
        value={firmware?.version ?? ''}
        onCommit={(version) => {
          if (version === '') return false;
          note(firmwareFound(controllerId, version, firmware));
          return true;
        }}
      />
      <Hint>
        Another version later opens the ticks of its values again: an update may lose or turn round what was
        typed.
      </Hint>
      {DEVICE_CARE.map((care) => (
        <Switch
          key={care}
          label={CARE_WORDS[care]}
          checked={isCaredFor(facts, controllerId, care)}
          onChange={(event) => note(careOf(controllerId, care, event.currentTarget.checked))}
        />
      ))}
      <Hint>The password itself is kept nowhere here.</Hint>
    </Stack>
  );
}
