// Properties are tried on the same cases everywhere; another seed in the environment tries others.
const fc = require('fast-check');

fc.configureGlobal({ seed: Number(process.env.FC_SEED ?? 20260504) });
