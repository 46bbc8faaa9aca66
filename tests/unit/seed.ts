import fc from 'fast-check';

// Loaded before each file of tests: its properties start from the seed of this run.
fc.configureGlobal({
  seed: Number(process.env.PROPERTY_SEED ?? 1),
  ...(process.env.FEW_RUNS && { numRuns: 15 }),
});
