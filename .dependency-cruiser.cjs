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

const NO_TEST = '(\\.test\\.ts$|/testing/)';
/** What these go through the registry for is the kinds' own: there all layers meet. */
const BY_REGISTRY =
  '(bodies/body-passes|slants/assembly-passes|space/(in-storey|space|between)-passes|stairs/headroom-passes|checks/(step-of-finding|every-rule|footing-passes|hanging-passes))\\.ts$';
const DRAWN_OR_SAID = '^src/core/(drawing|report|entry|schedules)/';

/** Layers within the core, from the ground up: none reaches one over it, not even by a type. docs/architecture.md draws them. */
const CORE = [
  [
    'ground-knows-lengths-and-shapes-only',
    '^src/core/(units|geometry)/',
    '^src/core/',
    '^src/core/(units|geometry|model/result)',
  ],
  ['document-knows-no-noun', '^src/core/model/', '^src/core/', '^src/core/(units|geometry|model|kinds/marks)'],
  [
    'schemas-reach-nothing-that-is-worked-out',
    '^src/core/kinds/(marks|walk|record-kind|records|migrate|integrity|spine-text)\\.ts$',
    '^src/core/(passes|solving|checks|commands|bodies|drawing|report|entry|schedules)/',
  ],
  [
    'resolving-reaches-no-pass-and-no-command',
    '/(resolve-[a-z-]+|axis-lines|held-line|crossings)\\.ts$',
    '^src/core/(passes|checks|commands|drawing|report|entry|schedules)/',
  ],
  ['passes-reach-nothing-drawn-or-said', '^src/core/(passes/|.*(-passes|/solve-[a-z-]+)\\.ts$)', DRAWN_OR_SAID],
  ['checks-reach-nothing-drawn-or-said', '^src/core/checks/', DRAWN_OR_SAID],
];

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
    ...CORE.map(([name, path, to, within]) => ({
      name,
      severity: 'error',
      from: { path, pathNot: `(${NO_TEST}|${BY_REGISTRY})` },
      to: within ? { path: to, pathNot: within } : { path: to, reachable: true },
    })),
    // Types too.
    { name: 'no-circles', severity: 'error', from: { path: '^src/' }, to: { circular: true } },
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
