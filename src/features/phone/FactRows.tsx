import styles from './phone.module.css';

/** Facts of a thing, one a line, in letters that are read at arm's length. */
export function FactRows({ rows }: { rows: readonly (readonly [name: string, value: string])[] }) {
  return (
    <dl className={styles.facts}>
      {rows.map(([name, value]) => (
        <div key={name}>
          <dt>{name}</dt>
          <dd className="mono">{value}</dd>
        </div>
      ))}
    </dl>
  );
}
