import { CloseButton, NumberInput, Select } from '@mantine/core';
import { useState } from 'react';
import { MOST_RATE_HZ } from '@/core/rig/benchState';
import { useShow } from '../show/ShowProvider';
import styles from './sending.module.css';

export interface DeviceRate {
  controllerId: string;
  rateHz: number;
}

/** Devices that are sent to less often than the others. */
export function DeviceRates({
  rates,
  onChange,
}: {
  rates: readonly DeviceRate[];
  onChange: (rates: DeviceRate[]) => void;
}) {
  const controllers = useShow((state) => state.show.controllers);
  const [chosen, setChosen] = useState<string | null>(null);
  const [rateHz, setRateHz] = useState(10);
  const others = controllers.filter(({ id }) => !rates.some(({ controllerId }) => controllerId === id));
  return (
    <div>
      <div className={styles.controls}>
        <Select
          size="xs"
          label="A device that is slower"
          clearable
          placeholder="none"
          value={chosen}
          data={others.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={(id) => {
            setChosen(null);
            if (id) onChange([...rates, { controllerId: id, rateHz }]);
          }}
        />
        <NumberInput
          size="xs"
          label="Its pictures a second"
          min={1}
          max={MOST_RATE_HZ}
          clampBehavior="strict"
          allowDecimal={false}
          value={rateHz}
          onChange={(value) => typeof value === 'number' && value >= 1 && setRateHz(value)}
        />
      </div>
      {rates.length > 0 && (
        <ul className={styles.faults} aria-label="Devices that are sent to less often">
          {rates.map(({ controllerId, rateHz: own }) => {
            const name = controllers.find(({ id }) => id === controllerId)?.name ?? controllerId;
            return (
              <li key={controllerId}>
                <span>
                  {name}: {own} a second
                </span>
                <CloseButton
                  size="sm"
                  aria-label={`${name} as often as the others`}
                  onClick={() => onChange(rates.filter((each) => each.controllerId !== controllerId))}
                />
              </li>
            );
          })}
        </ul>
      )}
    </div>
  );
}
