/** Imports run one way: web, server, cli, demo, e2e -> core; core -> nothing of ours; no cycles anywhere. */
const layers = [
  'lengths',
  'geometry',
  'survey',
  'body',
  'catalogue',
  'plan',
  'fit',
  'room',
  'reach',
  'loads',
  'sun',
  'slotting',
  'homes',
  'findings',
  'drawings',
  'formats',
];
module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    { name: 'core-is-pure', severity: 'error', from: { path: '^core/' }, to: { path: '^(server|web|cli|demo|e2e)/' } },
    {
      name: 'core-without-node',
      severity: 'error',
      from: { path: '^core/src', pathNot: '(\\.test\\.ts$|/testing/|write-schemas)' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'web-and-server-apart',
      severity: 'error',
      from: { path: '^web/' },
      to: { path: '^(server|cli|demo|e2e)/' },
    },
    { name: 'server-alone', severity: 'error', from: { path: '^server/' }, to: { path: '^(web|cli|demo|e2e)/' } },
    { name: 'cli-alone', severity: 'error', from: { path: '^cli/' }, to: { path: '^(web|server|demo|e2e)/' } },
    { name: 'demo-on-core-only', severity: 'error', from: { path: '^demo/' }, to: { path: '^(web|server|cli|e2e)/' } },
    {
      name: 'core-through-its-faces',
      comment: 'Outside core, import a subject folder by its index only',
      severity: 'error',
      from: { path: '^(server|web|cli|demo|e2e)/' },
      to: { path: '^core/src/[^/]+/(?!index\\.ts|testing)' },
    },
    ...layers.map((layer, i) => ({
      name: `layer-${layer}`,
      severity: 'error',
      from: { path: `^core/src/${layer}/`, pathNot: '(\\.test\\.ts$|/testing/)' },
      to: { path: `^core/src/(${layers.slice(i + 1).join('|') || 'none'})/` },
    })),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '/dist/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'types', 'default'],
      extensions: ['.ts', '.tsx', '.js', '.json'],
    },
  },
};
