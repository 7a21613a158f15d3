/** Which layer may import which. The table in docs/architecture.md is this. */
const LAYERS = {
  core: [],
  formats: ['core'],
  server: ['core', 'formats'],
  workers: ['core', 'formats'],
  ui: ['core', 'workers'],
  app: ['ui', 'server', 'formats', 'core'],
  cli: ['core', 'formats', 'demo'],
  demo: ['core', 'server'],
};
const ALL = Object.keys(LAYERS);

module.exports = {
  forbidden: [
    ...ALL.map((layer) => ({
      name: `${layer}-imports-only-${LAYERS[layer].join('-and-') || 'itself'}`,
      severity: 'error',
      from: { path: `^src/${layer}/`, pathNot: '\\.test\\.ts$' },
      to: { path: '^src/', pathNot: `^src/(${[layer, ...LAYERS[layer]].join('|')})/` },
    })),
    // Tests may take the demo, which is the sample data there is.
    ...ALL.map((layer) => ({
      name: `tests-of-${layer}-import-its-layers-and-the-demo`,
      severity: 'error',
      from: { path: `^src/${layer}/.*\\.test\\.ts$` },
      to: { path: '^src/', pathNot: `^src/(${[layer, ...LAYERS[layer], 'demo'].join('|')})/` },
    })),
    {
      name: 'no-circles',
      severity: 'error',
      from: { path: '^src/' },
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    {
      name: 'core-knows-no-platform',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'core-uses-few-packages',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: { path: 'node_modules', pathNot: 'node_modules/(zod|uuid|@noble/hashes|clipper2-ts|earcut)/' },
    },
    {
      name: 'tests-are-not-imported',
      severity: 'error',
      from: { pathNot: '(\\.test\\.ts$|^(e2e|bench|faults)/|/testing/)' },
      to: { path: '(\\.test\\.ts$|/testing/)' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
};
