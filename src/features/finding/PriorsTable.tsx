import { Select } from '@mantine/core';
import { notedPriors, OFTEN, priorsNote } from '@/core/diagnose/priorsNoted';
import { FAULT_KINDS, priorOf } from '@/core/rig/faults/registry';
import { useNote, useShow } from '../show/ShowProvider';
import styles from './find.module.css';

const wordsOf = (weight: number) => OFTEN.find((each) => each.weight === weight)?.words ?? OFTEN[0].words;

/** Frequency of each fault, with its reason; it can be set for this show. */
export function PriorsTable() {
  const facts = useShow((state) => state.facts);
  const showId = useShow((state) => state.id);
  const note = useNote();
  const noted = notedPriors(facts);
  return (
    <div className={styles.priors}>
      <table aria-label="How often things are the matter">
        <thead>
          <tr>
            <th scope="col">What</th>
            <th scope="col">How often</th>
            <th scope="col">Why that is thought</th>
          </tr>
        </thead>
        <tbody>
          {FAULT_KINDS.map(({ kind, name }) => (
            <tr key={kind}>
              <th scope="row">{name}</th>
              <td>
                <Select
                  size="xs"
                  aria-label={`How often: ${name}`}
                  allowDeselect={false}
                  data={OFTEN.map(({ words }) => words)}
                  value={wordsOf(noted.get(kind) ?? priorOf(kind).weight)}
                  onChange={(value) => {
                    const weight = OFTEN.find(({ words }) => words === value)?.weight;
                    if (weight !== undefined) note(priorsNote(facts, showId, kind, weight));
                  }}
                />
              </td>
              <td>{noted.has(kind) ? 'set for this show' : priorOf(kind).why}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
