import { Button, FileButton } from '@mantine/core';
import { notifications } from '@mantine/notifications';

export interface OpenedCapture {
  name: string;
  file: Uint8Array;
}

/** More than some minutes of a large show. */
const MOST_BYTES = 256 * 1024 * 1024;

/** Puts a capture file of somebody else’s network before the rig. */
export function OpenCapture({
  opened,
  onOpen,
}: {
  opened: OpenedCapture | null;
  onOpen: (capture: OpenedCapture | null) => void;
}) {
  if (opened)
    return (
      <Button size="compact-sm" variant="default" onClick={() => onOpen(null)}>
        Close {opened.name}
      </Button>
    );
  const open = async (file: File | null) => {
    if (!file) return;
    if (file.size > MOST_BYTES)
      notifications.show({
        message: `“${file.name}” is larger than 256 MB: save some seconds of it, and open those.`,
        color: 'red',
      });
    else onOpen({ name: file.name, file: new Uint8Array(await file.arrayBuffer()) });
  };
  return (
    <FileButton accept=".pcap,application/vnd.tcpdump.pcap" onChange={(file) => void open(file)}>
      {(props) => (
        <Button size="compact-sm" variant="subtle" color="gray" {...props}>
          Open a capture…
        </Button>
      )}
    </FileButton>
  );
}
