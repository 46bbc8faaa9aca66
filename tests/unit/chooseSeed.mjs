/** Before all unit tests: the seed of this run's properties, another one each time unless PROPERTY_SEED says it. */
export default function chooseSeed() {
  process.env.PROPERTY_SEED ??= String(Math.floor(Math.random() * 2 ** 31));
  const runs = process.env.ALL_RUNS ? 'all runs' : 'a fifth of the runs of the heavy ones';
  console.log(
    `\nProperties: ${runs}, seed ${process.env.PROPERTY_SEED}. PROPERTY_SEED=${process.env.PROPERTY_SEED} repeats them.`,
  );
}
