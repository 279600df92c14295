/** Import directions of the house. Type-only imports count (tsPreCompilationDeps). See docs/architecture.md. */
const ROOMS = [
  'quantity',
  'geometry',
  'mechanics',
  'reference',
  'frame',
  'walk',
  'probe',
  'trace',
  'metal',
  'weigh',
  'shape',
  'join',
  'order',
  'prove',
  'patterns',
  'job',
  'exchange',
];

const laterRooms = ROOMS.slice(0, -1).map((room, k) => ({
  name: `core-${room}-imports-only-earlier-rooms`,
  severity: 'error',
  from: { path: `^core/${room}/` },
  to: { path: `^core/(${ROOMS.slice(k + 1).join('|')}|index\\.ts)` },
}));

const throughTheDoor = ROOMS.map((room) => ({
  name: `core-${room}-is-entered-by-its-index`,
  severity: 'error',
  from: { pathNot: `^core/${room}/` },
  to: { path: `^core/${room}/`, pathNot: `^core/${room}/index\\.ts$` },
}));

const only = (name, from, allowed) => ({
  name,
  severity: 'error',
  from: { path: from },
  to: {
    path: '^(core|data|ui|app|workers|stand-ins|demo|journeys|checks|bench|set-up)/',
    pathNot: `^(${allowed.join('|')})/`,
  },
});

module.exports = {
  forbidden: [
    ...laterRooms,
    ...throughTheDoor,
    only('core-imports-only-core', '^core/', ['core']),
    only('data-imports-core', '^data/', ['data', 'core']),
    only('ui-imports-core', '^ui/', ['ui', 'core']),
    only('workers-import-core', '^workers/', ['workers', 'core']),
    only('stand-ins-import-core', '^stand-ins/', ['stand-ins', 'core']),
    only('demo-imports-core-and-data', '^demo/', ['demo', 'core', 'data']),
    {
      name: 'nothing-imports-app',
      severity: 'error',
      from: { path: '^(core|data|ui|workers|stand-ins|demo)/' },
      to: { path: '^app/' },
    },
    {
      name: 'what-every-page-has-carries-no-core',
      severity: 'error',
      from: {
        path: '^app/_outbox/(index|outbox|parcel|shelf|answer|held-before|keeping-light|keeping-words)\\.tsx?$',
      },
      to: {
        path: '^core/|^app/_outbox/(drafts|mend|both-repairs|not-taken-sheet)',
        dependencyTypesNot: ['type-only', 'dynamic-import'],
      },
    },
    {
      name: 'core-takes-named-packages-only',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$' },
      to: {
        dependencyTypes: ['npm', 'npm-dev', 'npm-no-pkg', 'npm-optional', 'npm-peer'],
        pathNot:
          'node_modules/(zod|dequal|d3-array|@types/d3-array|simple-statistics|fft\.js|d3-contour|@types/d3-contour|d3-random|@types/d3-random|csv-parse|csv-stringify|fflate|@tarikjabiri/dxf|clipper2-ts|ml-matrix|ical-generator)/',
      },
    },
    {
      name: 'core-takes-nothing-of-node',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'only-data-opens-sqlite',
      severity: 'error',
      from: { path: '^(core|ui|app|workers|demo)/', pathNot: '\\.test\\.ts$' },
      to: { path: 'better-sqlite3' },
    },
    {
      name: 'no-circles',
      severity: 'error',
      from: { path: '^(core|data|ui|app|workers|demo)/' },
      to: { circular: true },
    },
    {
      name: 'nothing-unresolved',
      severity: 'error',
      from: { path: '^(core|data|ui|app|workers|demo)/' },
      to: { couldNotResolve: true, pathNot: '\\.css$' },
    },
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)\\.next/' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
};
