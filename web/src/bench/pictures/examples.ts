import type { Readings } from '../../api/readings'

const RAIN = [0, 0, 3.2, 14, 6.1, 0, 0, 0, 0.4, 0, 0, 0, 9.8, 2.4, 0, 0, 0, 0, 0, 0, 0]

/** Made-up inputs for calculators that are tedious to fill by hand. */
export const EXAMPLES: Record<string, Readings> = {
  agreement: {
    scale: [1, 1.5, 2, 2.5, 3, 3.5, 4, 4.5, 5],
    scores: [
      ['ley, gate', 2, 2.5],
      ['ley, middle', 1.5, 2],
      ['headland', 4, 4.5],
      ['wheel track', 4.5, 4.5],
      ['hop row', 3, 3.5],
      ['hop alley', 3.5, 4],
      ['garden bed', 1, 1],
      ['beet land', 3, 4],
    ].flatMap(([item, ash, birch]) => [
      { person: 'Ash', item, score: ash },
      { person: 'Birch', item, score: birch },
    ]),
  },
  'day-plan': {
    crew: 2,
    places: [
      { id: 'gate', eastM: 0, northM: 0 },
      { id: 'middle', eastM: 140, northM: 60 },
      { id: 'low end', eastM: 210, northM: -90 },
    ],
    chains: ['gate', 'middle', 'low end'].flatMap((place) =>
      ['penetration', 'ring-infiltration', 'structure', 'crumb-stability', 'ph'].map((method) => ({
        id: `${method} at ${place}`,
        place,
        method,
      })),
    ),
  },
  'field-model': {
    model: {
      start: 6.5,
      startSd: 1,
      drift: 0.15,
      event: 0.4,
      patch: 1,
      stop: 0.4,
      spot: 0.15,
      visit: 0.1,
      real: 0.8,
    },
    visits: [
      { id: 'before', years: 0 },
      { id: 'a year on', years: 1 },
      { id: 'three years on', years: 3 },
    ],
    stops: [
      { id: 'gate' },
      { id: 'middle' },
      { id: 'low end' },
      { id: 'left alone', untreated: true, patch: 'left alone' },
    ],
    events: [{ years: 0.2, expected: 0.5, sd: 0.3 }],
    readings: [
      ['before', 5.3, 5.5, 5.6, 5.6],
      ['a year on', 5.7, 5.9, 5.9, 5.5],
      ['three years on', 5.9, 6, 6.1, 5.6],
    ].flatMap(([visit, ...read]) =>
      ['gate', 'middle', 'low end', 'left alone'].map((stop, i) => ({
        stop,
        visit,
        kind: 'meter',
        value: read[i],
        sd: 0.1,
      })),
    ),
  },
  'sampling-windows': {
    textureClass: 'silt-loam',
    latitude: 53.8,
    days: RAIN.map((rainMm, i) => ({
      date: `2026-04-${String(i + 1).padStart(2, '0')}`,
      rainMm,
      tMinC: 4 + (i % 4),
      tMaxC: 12 + ((i * 3) % 7),
    })),
  },
  'stop-placement': {
    boundary: {
      type: 'Polygon',
      coordinates: [
        [
          [3.42, 53.81],
          [3.4254, 53.8096],
          [3.4262, 53.8122],
          [3.4216, 53.8131],
          [3.42, 53.81],
        ],
      ],
    },
    avoid: {
      type: 'FeatureCollection',
      features: [
        {
          type: 'Feature',
          properties: { name: 'pond', metres: 20 },
          geometry: { type: 'Point', coordinates: [3.4224, 53.8112] },
        },
      ],
    },
    count: 7,
  },
}
