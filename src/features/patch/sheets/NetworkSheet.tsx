'use client';

import { GIVEN_WORDS, addressBook } from '@/core/papers/tables/network';
import { Select } from '@mantine/core';
import { wantedRateOf } from '@/core/catalogue/packing';
import type { Controller } from '@/core/catalogue/controller';
import { measurePolicy } from '@/core/answers/comparePolicies';
import { ipv4Schema, maskWords, type NetworkAddress } from '@/core/catalogue/network';
import type { Plan } from '@/core/plan/planned';
import { countOf } from '@/core/units/number';
import { ParsedField } from '@/ui/fields/ParsedField';
import { NameField } from '@/ui/fields/fields';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../../sheets/sheets.module.css';
import { useEdit, useShow } from '../../show/ShowProvider';
import { castOf, universesOf } from '@/core/protocols/registry';
import { linkOf, linkWords } from '@/core/catalogue/link';

/** The usual ones first; the others by their length. */
const USUAL_MASKS = [24, 16, 8];
const MASKS = [
  ...USUAL_MASKS,
  ...Array.from({ length: 23 }, (_, i) => i + 8).filter((bits) => !USUAL_MASKS.includes(bits)),
].map((bits) => ({ value: String(bits), label: maskWords(bits) }));

/** The address book: who is where, who can talk to whom, and how much each link carries. */
export function NetworkSheet({ plan }: { plan: Plan }) {
  const edit = useEdit();
  const show = useShow((state) => state.show);
  const { sender } = show;
  const rateHz = wantedRateOf(show.addressing);
  const totals = measurePolicy(plan, rateHz);
  const set = (controller: Controller, network: NetworkAddress | null) =>
    edit({ type: 'changeController', controllerId: controller.id, change: { network } });
  return (
    <div className={sheets.sheet}>
      <h2>The sender</h2>
      <div className={sheets.fields}>
        <NameField
          label="Name"
          value={sender?.name ?? 'Player'}
          onCommit={(name) =>
            edit({ type: 'setSender', sender: { ip: '192.168.1.10', maskBits: 24, ...sender, name } })
          }
        />
        <IpField
          label="Address"
          value={sender?.ip ?? ''}
          onCommit={(ip) =>
            edit({
              type: 'setSender',
              sender: ip === '' ? null : { name: 'Player', maskBits: 24, ...sender, ip },
            })
          }
        />
        <Select
          label="Mask"
          allowDeselect={false}
          disabled={!sender}
          value={String(sender?.maskBits ?? 24)}
          data={MASKS}
          onChange={(bits) =>
            sender && bits && edit({ type: 'setSender', sender: { ...sender, maskBits: Number(bits) } })
          }
        />
        <IpField
          label="Router, if any"
          value={sender?.gateway ?? ''}
          disabled={!sender}
          onCommit={(gateway) => sender && edit({ type: 'setSender', sender: withGateway(sender, gateway) })}
        />
        <p className={sheets.lead} data-tight>
          {countOf(totals.universes, 'universe')}, {totals.mbits.toFixed(1)} Mbit/s in all at {rateHz}{' '}
          pictures a second.
        </p>
      </div>
      <h2>Devices</h2>
      <SheetTable
        testId="address-book"
        table={addressBook(plan, rateHz)}
        fields={{
          address: (controller) => (
            <IpField
              aria-label={`Address of ${controller.name}`}
              value={controller.network?.ip ?? ''}
              onCommit={(ip) =>
                set(
                  controller,
                  ip === ''
                    ? null
                    : {
                        maskBits: sender?.maskBits ?? 24,
                        given: 'fixed',
                        storedBy: '',
                        casting: 'unicast',
                        ...controller.network,
                        ip,
                      },
                )
              }
            />
          ),
          mask: ({ network, ...controller }) =>
            network && (
              <Select
                size="xs"
                w={130}
                aria-label={`Mask of ${controller.name}`}
                allowDeselect={false}
                value={String(network.maskBits)}
                data={MASKS}
                onChange={(bits) =>
                  bits && set({ network, ...controller }, { ...network, maskBits: Number(bits) })
                }
              />
            ),
          router: (controller) =>
            controller.network && (
              <IpField
                aria-label={`Router of ${controller.name}`}
                value={controller.network.gateway ?? ''}
                placeholder="none"
                onCommit={(gateway) => set(controller, withGateway(controller.network!, gateway))}
              />
            ),
          given: (controller) =>
            controller.network && (
              <Select
                size="xs"
                w={122}
                aria-label={`How ${controller.name} gets its address`}
                allowDeselect={false}
                value={controller.network.given}
                data={Object.entries(GIVEN_WORDS).map(([value, label]) => ({ value, label }))}
                onChange={(given) =>
                  given &&
                  set(controller, { ...controller.network!, given: given as NetworkAddress['given'] })
                }
              />
            ),
          casting: (controller) => <Casting controller={controller} onChange={set} />,
          stored: (controller) => controller.network && <StoredBy controller={controller} onChange={set} />,
        }}
      />
      <h2>What must be kept apart</h2>
      <p className={sheets.lead}>
        {show.controllers.some((controller) => linkOf(show, controller) === 'raw')
          ? `${show.controllers
              .filter((controller) => linkOf(show, controller) === 'raw')
              .map((controller) => controller.name)
              .join(
                ', ',
              )}: receiver cards take raw frames straight from the sender’s gigabit port. No switch with other devices, no router, no IP address on that port; the sender needs another link for control.`
          : 'No receiver cards here: everything may share one switch.'}{' '}
        {show.controllers.some((controller) => !['unicast', null].includes(castOf(controller))) &&
          'Multicast and broadcast flood every port of a plain switch, and consumer routers and Wi-Fi struggle with them; unicast reaches only its device.'}
      </p>
    </div>
  );
}

/** Packets to it alone, or to all that listen: a choice where its protocol has one. */
function Casting({
  controller,
  onChange,
}: {
  controller: Controller;
  onChange: (controller: Controller, network: NetworkAddress) => void;
}) {
  const { network, name } = controller;
  const kinds = useShow((state) => state.show);
  if (linkOf(kinds, controller) !== 'network') return linkWords(kinds, controller);
  const universes = universesOf(controller);
  if (!network || !universes) return castOf(controller);
  return (
    <Select
      size="xs"
      w={104}
      aria-label={`How ${name} is fed`}
      allowDeselect={false}
      value={network.casting}
      data={[
        { value: 'unicast', label: 'unicast' },
        { value: 'multicast', label: universes.groupOf ? 'multicast' : 'broadcast' },
      ]}
      onChange={(casting) => casting && onChange(controller, { ...network, casting })}
    />
  );
}

function StoredBy({
  controller,
  onChange,
}: {
  controller: Controller;
  onChange: (controller: Controller, network: NetworkAddress) => void;
}) {
  return (
    <ParsedField
      size="xs"
      w={130}
      aria-label={`Who else stores the address of ${controller.name}`}
      value={controller.network!.storedBy}
      placeholder="sender, note in the box"
      format={(words) => words}
      parse={(words) =>
        words.trim().length <= 200
          ? { ok: true, value: words.trim() }
          : { ok: false, message: 'At most 200 letters.' }
      }
      onCommit={(storedBy) => onChange(controller, { ...controller.network!, storedBy })}
    />
  );
}

/** An empty address of a router takes it away. */
function withGateway<End extends { gateway?: string | undefined }>(end: End, gateway: string): End {
  const { gateway: _, ...rest } = end;
  return (gateway === '' ? rest : { ...rest, gateway }) as End;
}

interface IpFieldProps {
  label?: string;
  placeholder?: string;
  disabled?: boolean;
  'aria-label'?: string;
  value: string;
  onCommit: (ip: string) => void;
}

function IpField(props: IpFieldProps) {
  return (
    <ParsedField
      size={props.label ? 'sm' : 'xs'}
      w={props.label ? 150 : 112}
      placeholder="192.168.1.20"
      format={(ip: string) => ip}
      parse={(text) => {
        const ip = text.trim();
        return ip === '' || ipv4Schema.safeParse(ip).success
          ? { ok: true, value: ip }
          : { ok: false, message: `Four numbers from 0 to 255, such as 192.168.1.20; “${ip}” is not.` };
      }}
      {...props}
    />
  );
}
