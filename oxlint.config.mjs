import { readdirSync } from 'node:fs';

/**
 * The floors of the house: imports only go down. Each row says which floor may not import which others, and why, in
 * the words the developer will read. Cross-floor imports are written with the @/ alias; the relative form is caught too.
 */
const from = (...floors) => ({
  regex: `^(@/|(\\.\\./)+)(${floors.join('|')})(/|$)`,
});

/** An expectation that is only looked at where something is so: what never is would pass. */
const unmet = [
  {
    selector: "IfStatement[test.callee.name!='met'] > .consequent CallExpression[callee.name='expect']",
    message: 'Wrap the condition in met() of scripts/met: what is never met proves nothing.',
  },
];

/** Unit tests are held to it by their runner; a file of browser tests asks for it. */
const unheldMet = {
  selector: "Program:has(ImportSpecifier[imported.name='met']):not(:has(CallExpression[callee.name='allMet']))",
  message: 'Ask for allMet() in this file: else a condition that is never met goes unnoticed.',
};

/** One folder a station; `live`, `taking` and `diary` are what several of them are made of. */
const shared = ['live', 'taking', 'diary'];
const stations = readdirSync('src/stations', { withFileTypes: true })
  .filter((entry) => entry.isDirectory() && !shared.includes(entry.name))
  .map(({ name }) => name);

const floors = [
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    patterns: [
      {
        regex: '^(?!\\.{1,2}/|zod/(mini|locales)$)',
        message: 'The core imports only itself (relatively) and zod, by its small door zod/mini: pages load it.',
      },
    ],
    extra: [
      { ...from('app', 'stations', 'parts', 'keep', 'workers', 'store'), message: 'The core is the ground floor.' },
    ],
  },
  {
    // Dates of a zone and calendar files are no work of ours: two packages that are as pure as the core.
    files: ['src/core/diary/**/*.ts', 'src/core/home/calendar.ts'],
    ignores: ['**/*.test.ts'],
    patterns: [
      {
        regex: '^(?!\\.{1,2}/|@date-fns/tz$|ical\\.js$)',
        message: 'Calendars import only the core, @date-fns/tz and ical.js.',
      },
      { ...from('app', 'stations', 'parts', 'keep', 'workers', 'store'), message: 'The core is the ground floor.' },
    ],
  },
  {
    files: ['src/store/**/*.ts'],
    patterns: [{ ...from('app', 'stations', 'parts', 'keep', 'workers'), message: 'The store knows only the core.' }],
  },
  {
    files: ['src/door/**/*.ts'],
    patterns: [
      {
        ...from('app', 'stations', 'parts', 'keep', 'workers', 'store', 'core'),
        message: 'The door judges requests before anything of the app is asked.',
      },
    ],
  },
  {
    files: ['src/workers/**/*.ts'],
    patterns: [
      { ...from('app', 'stations', 'parts', 'keep', 'store'), message: 'A worker is a core function behind Comlink.' },
    ],
  },
  {
    // It is bundled small: it takes the files it needs and not their rooms.
    files: ['src/phone/**/*.ts'],
    patterns: [
      {
        ...from('app', 'stations', 'parts', 'keep', 'workers', 'store'),
        message: 'The page on a phone stands by itself: it knows only the core.',
      },
    ],
  },
  {
    files: ['src/keep/**/*.{ts,tsx}'],
    patterns: [{ ...from('app', 'stations', 'parts', 'store', 'workers'), message: 'The outbox knows only the core.' }],
  },
  {
    files: ['src/parts/**/*.{ts,tsx}'],
    patterns: [
      {
        ...from('app', 'stations', 'store', 'workers'),
        message: 'Parts are shared: they never reach up or into the store.',
      },
    ],
  },
  ...['**', ...stations.map((name) => `${name}/**`)].map((place) => ({
    files: [`src/stations/${place}/*.{ts,tsx}`],
    // The page of all stations tries them side by side.
    ignores: ['src/stations/*.test.tsx'],
    patterns: [
      {
        ...from('app', 'store'),
        message: 'Stations are given what they show; only pages and route handlers open the store.',
      },
      {
        regex: `^(@/stations/|\\./|(\\.\\./)+)(${stations.filter((name) => !place.startsWith(`${name}/`)).join('|')})/`,
        message: 'No station reaches into another: what two of them need stands in live, taking, diary or beside them.',
      },
    ],
  })),
  {
    files: ['src/app/**/*.{ts,tsx}', 'demo/**/*.ts'],
    patterns: [
      { regex: '^(@/|(\\.\\./)+)(src/)?store/(?!fixtures$).+', message: 'Use the one door of the store: @/store.' },
      { regex: '^(@/|(\\.\\./)+)(src/)?core/[^/]+/.+', message: 'Use the door of the room: @/core/<room>.' },
    ],
  },
];

/**
 * What became of a command must be looked at: a refusal that nobody sees is an answer lost. Where nobody waits there is `send`.
 */
const heeded = 'Look at what became of it: show a refusal, or use send(), which shows it on whatever page is open.';
const keepCall = "CallExpression[callee.name='keep']";
/** A plain link asks for a whole page anew, and where the server is away the browser's own page of failure takes this one's place. */
const ownLinks = [{ selector: "JSXOpeningElement[name.name='a']", message: 'Use Link of parts.' }];
/** Days and times are said in one place, in the language and order the studio is set to, by formats that are made once. */
const ownDates = [
  {
    selector: "NewExpression[callee.object.name='Intl']",
    message: 'Days and times are said by core/record (dayInWords, weekdayName, timeIn …).',
  },
  {
    selector: "CallExpression[callee.property.name='toLocaleDateString']",
    message: 'Days are said by core/record (dayInWords, weekdayName, momentInWords …).',
  },
];

/** What is made anew at each drawing counts as another, and everything that can be carried is drawn with it. */
const ownSensors = [
  {
    selector: "CallExpression[callee.name='useSensor'] > ObjectExpression",
    message: 'Say once, outside, how something is carried off: each drawing would draw everything that can be carried.',
  },
];

/** What is said is for people: what follows from something hangs on its code, its id or its place. */
const ownWords = 'What is said decides nothing: give it a code, an id or a place, and ask for that.';
const unsaid = [
  'CallExpression[callee.property.name=/^(startsWith|endsWith)$/][arguments.0.value=/[a-z] /]',
  'CallExpression[callee.property.name=/^(startsWith|endsWith|includes|indexOf)$/] > MemberExpression.arguments[property.name=/^(says|words|sentence)$/]',
  "MemberExpression[computed=true] > CallExpression.object[callee.property.name='split'][arguments.0.value=/^[,;:]/]",
  "VariableDeclarator[id.type='ArrayPattern'] > CallExpression.init[callee.property.name='split'][arguments.0.value=/^[,;:]/]",
  // What a drill is stands in what it contains: one made of it has another id.
  'CallExpression[callee.property.name=/^(test|exec)$/] > MemberExpression.arguments[property.name=/^(drillId|movementId)$/]',
  'CallExpression[callee.property.name=/^(startsWith|endsWith|includes|match)$/] > MemberExpression.callee > MemberExpression.object[property.name=/^(drillId|movementId)$/]',
].map((selector) => ({ selector, message: ownWords }));

const noClock = [
  {
    selector: "NewExpression[callee.name='Date'][arguments.length=0]",
    message: 'The core has no clock: take the time as an argument.',
  },
];

const unheeded = [
  `ExpressionStatement > ${keepCall}`,
  `UnaryExpression[operator='void'] > ${keepCall}`,
  `ExpressionStatement > AwaitExpression > ${keepCall}`,
  `ArrowFunctionExpression > ${keepCall}.body`,
  // A next step that takes no outcome does not look at it.
  `CallExpression[callee.property.name='then'][callee.object.callee.name='keep'] > ArrowFunctionExpression[params.length=0].arguments`,
  `CallExpression[callee.property.name=/^(catch|finally)$/][callee.object.callee.name='keep']`,
].map((selector) => ({ selector, message: heeded }));

/** A key counts as things stand when it is pressed. */
const ownKeys = [
  {
    selector:
      "CallExpression[callee.object.name='window'][callee.property.name='addEventListener'][arguments.0.value='keydown']",
    message: 'Keys of the whole page are heard by useKeyDown: an effect comes a moment after what is drawn.',
  },
];

/** What the server drew of a part stays until its script has come; React throws it away when anything round it is drawn anew meanwhile. */
const lateParts = [
  {
    selector: "CallExpression[callee.name='dynamic']:not(:has(Property[key.name=/^(ssr|loading)$/]))",
    message:
      'A part that comes late has a place of its own to wait in: loading, or ssr: false. Without one the whole page waits.',
  },
  {
    selector:
      ":not(CallExpression[callee.name='memo']) > CallExpression[callee.name='dynamic']:not(:has(Property[key.name='ssr']))",
    message:
      'A part that the server draws and that comes late stands in memo(): else it goes and comes again, and a press on it is lost.',
  },
];

const coreRoomDoor = {
  regex: '^@/core/[^/]+/.+',
  message: 'Use the door of the room: @/core/<room>.',
};

/** Two rules of the linter's older sister: one it has not, and one whose patterns may look ahead there. */
const syntax = 'eslint-js/no-restricted-syntax';
const imports = 'eslint-js/no-restricted-imports';

/** @type {import('oxlint').OxlintConfig} */
export default {
  plugins: ['eslint', 'typescript', 'oxc', 'nextjs'],
  jsPlugins: [{ name: 'eslint-js', specifier: 'oxlint-plugin-eslint' }],
  ignorePatterns: ['node_modules', '.next', 'data', 'drizzle', 'test-results', 'next-env.d.ts', 'playwright-report'],
  categories: { correctness: 'error' },
  rules: {
    'typescript/ban-ts-comment': 'error',
    'typescript/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
    'typescript/no-empty-object-type': 'error',
    'typescript/no-explicit-any': 'error',
    'typescript/no-namespace': 'error',
    'typescript/no-require-imports': 'error',
    'typescript/no-unnecessary-type-constraint': 'error',
    'typescript/no-unsafe-function-type': 'error',
    'no-array-constructor': 'error',
    'no-unused-expressions': 'error',
    'no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
    'no-var': 'error',
    'no-warning-comments': ['error', { terms: ['todo', 'fixme', 'xxx'] }],
    'prefer-const': 'error',
    'prefer-rest-params': 'error',
    'prefer-spread': 'error',
    eqeqeq: ['error', 'smart'],
    // Signs that nobody sees are named on purpose, where they are turned away.
    'no-control-regex': 'off',
    'no-misleading-character-class': 'off',
  },
  overrides: [
    {
      // What the compiler of React could not make sense of, among it what goes wrong without it too.
      files: ['src/{app,stations,parts,keep,workers}/**/*.{ts,tsx}'],
      excludeFiles: ['**/*.test.{ts,tsx}'],
      plugins: ['react'],
      rules: Object.fromEntries(
        [
          'rules-of-hooks',
          'exhaustive-deps',
          'error-boundaries',
          'globals',
          'immutability',
          'incompatible-library',
          'jsx-key',
          'preserve-manual-memoization',
          'purity',
          'refs',
          'set-state-in-effect',
          'set-state-in-render',
          'static-components',
          'unsupported-syntax',
          'use-memo',
        ].map((rule) => [`react/${rule}`, 'error']),
      ),
    },
    ...floors.map(({ files, ignores, patterns, extra }) => ({
      files,
      ...(ignores ? { excludeFiles: ignores } : {}),
      rules: {
        [imports]: [
          'error',
          { patterns: [...patterns, ...(extra ?? []), ...(/^src\/(core|phone)/.test(files[0]) ? [] : [coreRoomDoor])] },
        ],
      },
    })),
    {
      files: ['src/**/*.{ts,tsx}'],
      excludeFiles: ['src/parts/Link.tsx'],
      rules: {
        // The floors have the plain rule of this name, row by row; this one holds beside it.
        'no-restricted-imports': [
          'error',
          { name: 'next/link', message: 'Use Link of parts: it fetches nothing before it is taken.' },
        ],
      },
    },
    {
      files: ['src/stations/**/*.{ts,tsx}', 'src/parts/**/*.{ts,tsx}'],
      rules: {
        [syntax]: ['error', ...unheeded, ...ownDates, ...ownKeys, ...ownLinks, ...ownSensors, ...lateParts, ...unsaid],
      },
    },
    { files: ['src/{app,phone,store}/**/*.{ts,tsx}'], rules: { [syntax]: ['error', ...ownDates, ...unsaid] } },
    { files: ['{src,bench,demo,scripts}/**/*.test.{ts,tsx}'], rules: { [syntax]: ['error', ...unmet] } },
    { files: ['e2e/**/*.spec.ts'], rules: { [syntax]: ['error', ...unmet, unheldMet] } },
    {
      files: ['src/core/**/*.ts'],
      excludeFiles: ['**/*.test.ts'],
      rules: {
        'no-restricted-globals': [
          'error',
          ...[
            'window',
            'document',
            'process',
            'fetch',
            'setTimeout',
            'setInterval',
            'performance',
            'crypto',
            'Buffer',
          ].map((name) => ({
            name,
            message: 'The core has no Node, no DOM, no clock and no random source: take it as an argument.',
          })),
        ],
        'no-restricted-properties': [
          'error',
          { object: 'Date', property: 'now', message: 'The core has no clock: take the time as an argument.' },
          { object: 'Math', property: 'random', message: 'The core has no random source: take one as an argument.' },
        ],
        [syntax]: ['error', ...noClock, ...unsaid],
      },
    },
    {
      files: ['src/core/**/*.ts'],
      excludeFiles: ['**/*.test.ts', 'src/core/record/day.ts', 'src/core/record/dateWords.ts'],
      rules: { [syntax]: ['error', ...noClock, ...ownDates, ...unsaid] },
    },
  ],
};
