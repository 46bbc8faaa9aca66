'use client';

import { Select } from '@mantine/core';
import { useMemo, useState } from 'react';
import { portName } from '@/core/catalogue/controller';
import type { PortPlace } from '@/core/answers/ports/freePorts';
import type { Plan } from '@/core/plan/planned';
import { groupDigits } from '@/core/units/number';
import { pairOf } from '@/core/units/tuple';

/** A longer list is slow to open and nobody scrolls through it: a port is found by typing its name. */
const MOST_LISTED = 300;
const NONE = 'none';

interface PortSelectProps {
  plan: Plan;
  label: string;
  value: PortPlace | null;
  /** The words for no port; left out where a port has to be chosen. */
  noneLabel?: string;
  placeholder?: string;
  onChoose: (port: PortPlace | null) => void;
}

/** Every port of the show with what it holds, by controller. */
export function PortSelect({ plan, label, value, noneLabel, placeholder, onChoose }: PortSelectProps) {
  const [open, setOpen] = useState(false);
  const current = value ? keyOf(value) : noneLabel ? NONE : null;
  // While the list is closed only the chosen one is made ready: large shows have thousands.
  const data = useMemo(
    () => choicesOf(plan, noneLabel, open ? null : current),
    [plan, noneLabel, open, current],
  );
  const ports = plan.show.controllers.reduce((sum, controller) => sum + controller.ports, 0);
  return (
    <Select
      label={label}
      description={ports > MOST_LISTED ? `Type to find one; ${MOST_LISTED} are listed at once` : undefined}
      placeholder={placeholder}
      searchable
      allowDeselect={false}
      maxDropdownHeight={320}
      limit={MOST_LISTED}
      nothingFoundMessage="No port is called that."
      value={current}
      data={data}
      onDropdownOpen={() => setOpen(true)}
      onDropdownClose={() => setOpen(false)}
      onChange={(key) => {
        if (key === null || key === current) return;
        if (key === NONE) return onChoose(null);
        const [controller, port] = pairOf(key.split(' ').map(Number));
        onChoose({ controller, port });
      }}
    />
  );
}

function keyOf({ controller, port }: PortPlace): string {
  return `${controller} ${port}`;
}

/** @param only the one choice that is wanted; null for all */
function choicesOf({ show, ports }: Plan, noneLabel: string | undefined, only: string | null) {
  const placesOn = new Map(ports.map((each) => [keyOf(each), each.places]));
  const wanted = (key: string) => only === null || key === only;
  return [
    ...(noneLabel ? [{ group: 'Without', items: [{ value: NONE, label: noneLabel }] }] : []),
    ...show.controllers.map((controller, index) => ({
      group: controller.name,
      items: Array.from({ length: controller.ports }, (_, i) => ({ controller: index, port: i + 1 }))
        .map((place) => ({ place, value: keyOf(place) }))
        .filter(({ value }) => wanted(value))
        .map(({ place, value }) => {
          const places = placesOn.get(value) ?? 0;
          const load =
            places === 0
              ? 'free'
              : `${groupDigits(places)} of ${groupDigits(controller.mostPixelsPerPort)} px`;
          return { value, label: `${portName(controller, place.port)} · ${load}` };
        }),
    })),
  ].filter(({ items }) => items.length > 0);
}
