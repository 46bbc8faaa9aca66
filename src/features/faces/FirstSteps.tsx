import { FIRST_STEPS, type FirstStep } from '@/core/show/firstSteps';
import { kindOf } from '@/core/props/registry';
import styles from './presets.module.css';
import { PresetPicture } from './PresetPicture';

/** “What do you want to light?” Each answer makes a prop, its controller and a threading. */
export function FirstSteps({
  onChoose,
  disabled,
}: {
  onChoose: (step: FirstStep) => void;
  disabled?: boolean;
}) {
  return (
    <ul className={styles.grid} aria-label="What do you want to light?">
      {FIRST_STEPS.map((step) => (
        <li key={step.id}>
          <button type="button" className={styles.tile} disabled={disabled} onClick={() => onChoose(step)}>
            <PresetPicture preset={presetOf(step)} />
            <strong>{step.label}</strong>
            <span className={styles.hint}>{step.hint}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}

function presetOf({ kind: name, preset: label }: FirstStep) {
  const kind = kindOf({ kind: name });
  const preset = kind.presets?.find((each) => each.label === label) ?? kind;
  return { kind: name, label: preset.label, hint: preset.hint, starter: preset.starter };
}
