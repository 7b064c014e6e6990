/** Imports run one way: web, server, cli, demo, e2e -> core; core -> nothing of ours; no cycles anywhere. */
/** Wings of the core in order, each with its folders in order: what comes later may use what comes earlier. */
const wings = {
  measures: ['chance', 'lengths', 'geometry', 'survey', 'picture'],
  record: ['catalogue', 'plan'],
  things: ['colour', 'cutting', 'kinds', 'fit'],
  space: ['body', 'room', 'reach', 'loads', 'sun'],
  living: ['sessions', 'concepts', 'recall', 'slotting', 'homes', 'moves', 'zones'],
  keeping: ['stock', 'upkeep'],
  better: ['findings', 'stations', 'arrange', 'tryout', 'beginning', 'schedule', 'doing'],
  paper: ['drawings', 'labels', 'calendar', 'lines', 'formats'],
};
const folders = Object.entries(wings).flatMap(([wing, list]) => list.map((folder) => `${wing}/${folder}`));
const besidesTests = '(\\.test\\.ts$|/testing/|write-schemas)';

module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    { name: 'core-is-pure', severity: 'error', from: { path: '^core/' }, to: { path: '^(server|web|cli|demo|e2e)/' } },
    {
      name: 'core-without-node',
      severity: 'error',
      from: { path: '^core/src', pathNot: besidesTests },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'web-and-server-apart',
      severity: 'error',
      from: { path: '^web/' },
      // the furnished room to look at is a plan file, shipped as it is
      to: { path: '^(server|cli|demo|e2e)/', pathNot: '^demo/plans/' },
    },
    { name: 'server-alone', severity: 'error', from: { path: '^server/' }, to: { path: '^(web|cli|demo|e2e)/' } },
    { name: 'cli-alone', severity: 'error', from: { path: '^cli/' }, to: { path: '^(web|server|demo|e2e)/' } },
    { name: 'demo-on-core-only', severity: 'error', from: { path: '^demo/' }, to: { path: '^(web|server|cli|e2e)/' } },
    {
      name: 'core-through-its-faces',
      comment: 'Outside core, import a subject folder by its index only',
      severity: 'error',
      from: { path: '^(server|web|cli|demo|e2e)/' },
      to: { path: '^core/src/[^/]+/[^/]+/(?!index\\.ts)', pathNot: '^core/src/testing/' },
    },
    {
      name: 'folders-through-their-faces',
      comment: 'Inside core, another folder is imported by its index',
      severity: 'error',
      from: { path: '^core/src/([^/]+/[^/]+)/', pathNot: besidesTests },
      to: { path: '^core/src/[^/]+/[^/]+/(?!index\\.ts)', pathNot: '^core/src/($1/|testing/)' },
    },
    ...folders.map((folder, i) => ({
      name: `order-${folder.replace('/', '-')}`,
      severity: 'error',
      from: { path: `^core/src/${folder}/`, pathNot: besidesTests },
      to: { path: `^core/src/(${folders.slice(i + 1).join('|') || 'none'})/` },
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
