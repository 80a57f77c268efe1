/**
 * Which folder of the page may know which, from the ground up. A folder knows those before it in this list, and
 * nothing else; `bin/test` holds it.
 */
const layers = [
  ['api'],
  ['words', 'geo'],
  ['device'],
  ['queries'],
  ['core'],
  ['units'],
  ['ui'],
  ['drawings'],
  ['photos', 'charts'],
  ['readings', 'examples'],
  ['kept'],
  ['timers'],
  ['capture/frame'],
  ['forms'],
  ['weather'],
  ['fields'],
  ['visits'],
  ['capture'],
  ['limits', 'results', 'plans', 'bench', 'places', 'days', 'exchange', 'laboratory', 'training', 'calibration', 'people'],
  ['app'],
]

const folder = (name) => `^src/${name}/`

module.exports = {
  forbidden: [
    { name: 'no-circle', severity: 'error', from: {}, to: { circular: true } },
    ...layers.slice(0, -1).flatMap((names, i) => {
      const above = layers.slice(i + 1).flat()
      return names.map((name) => ({
        name: `${name.replace('/', '-')}-looks-down-only`,
        severity: 'error',
        from: { path: folder(name), pathNot: name === 'capture' ? folder('capture/frame') : undefined },
        to: {
          path: above.map(folder),
          // the frame lies within capture's folder but below it
          pathNot: above.includes('capture/frame') ? undefined : folder('capture/frame'),
        },
      }))
    }),
    {
      name: 'pictures-keep-to-themselves',
      comment: 'a picture of one method knows the frame and photos, not another picture',
      severity: 'error',
      from: { path: '^src/capture/([^/]+)/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^src/capture/([^/]+)/', pathNot: ['^src/capture/$1/', '^src/capture/(frame|by-sight|photo)/'] },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: ['\\.test\\.tsx?$', '^src/testing/', 'src/api/schema'] },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
  },
}
