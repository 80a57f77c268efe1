import { infiniteQueryOptions, keepPreviousData, queryOptions } from '@tanstack/react-query'
import { hear, heardTimers, tellReached } from '../device/device'
import { api, ApiError, must } from '../api/client'

/** How many strips the server sends at once. */
const FIELDS_A_PAGE = 60

export type FieldsWanted = { find?: string; level?: string; grower?: string; order?: string; offset?: number }

export type ChangeWanted = {
  indicator?: string
  band?: string
  key?: string
  stops?: string[]
  from?: string
  to?: string
}

export type LogWanted = { person?: string; entity?: string; from?: string; to?: string }

export type ComparedSide = { field: string; stop?: string; patch?: string; visit?: string }

/** What the pages read, each with its key in one place. */
export const queries = {
  session: () =>
    queryOptions({ queryKey: ['session'], queryFn: () => must(api.GET('/api/session')), staleTime: 60_000 }),
  coreData: () =>
    queryOptions({
      queryKey: ['core-data'],
      queryFn: () => must(api.GET('/api/core-data')),
      staleTime: Infinity,
    }),
  methods: () =>
    queryOptions({
      queryKey: ['methods'],
      queryFn: () => must(api.GET('/api/methods')),
      staleTime: Infinity,
    }),
  plans: () =>
    queryOptions({
      queryKey: ['plans'],
      queryFn: () => must(api.GET('/api/calculators')),
      staleTime: Infinity,
    }),
  plan: (id: string) =>
    queryOptions({
      queryKey: ['field', id, 'plan'],
      queryFn: () => must(api.GET('/api/fields/{id}/plan', { params: { path: { id } } })),
    }),
  products: () => queryOptions({ queryKey: ['products'], queryFn: () => must(api.GET('/api/products')) }),
  calibrations: () =>
    queryOptions({ queryKey: ['calibrations'], queryFn: () => must(api.GET('/api/calibrations')) }),
  /** A session, with one's own scores where this device scores in it. */
  calibration: (id: string, member: string | undefined) =>
    queryOptions({
      queryKey: ['calibration', id, member],
      queryFn: () => must(api.GET('/api/calibrations/{id}', { params: { path: { id }, query: { member } } })),
    }),
  calibrationBiases: (test: string) =>
    queryOptions({
      queryKey: ['calibration-biases', test],
      queryFn: () => must(api.GET('/api/calibration-biases', { params: { query: { test } } })),
    }),
  testSets: () => queryOptions({ queryKey: ['test-sets'], queryFn: () => must(api.GET('/api/test-sets')) }),
  growers: () => queryOptions({ queryKey: ['growers'], queryFn: () => must(api.GET('/api/growers')) }),
  /** Fields as strips, at most sixty from some offset on. */
  fields: (wanted: FieldsWanted = {}) =>
    queryOptions({
      queryKey: ['fields', wanted],
      queryFn: () => must(api.GET('/api/fields', { params: { query: wanted } })),
      placeholderData: keepPreviousData,
    }),
  sheet: (id: string, visit: string | undefined) =>
    queryOptions({
      queryKey: ['field', id, 'sheet', visit],
      queryFn: () => must(api.GET('/api/fields/{id}/sheet', { params: { path: { id }, query: { visit } } })),
    }),
  change: (id: string, query: ChangeWanted) =>
    queryOptions({
      queryKey: ['field', id, 'change', query],
      queryFn: () => must(api.GET('/api/fields/{id}/change', { params: { path: { id }, query } })),
      placeholderData: keepPreviousData,
    }),
  compare: (one: ComparedSide, other: ComparedSide) =>
    queryOptions({
      queryKey: ['compare', one, other],
      queryFn: () =>
        must(
          api.GET('/api/compare', {
            params: {
              query: {
                ...one,
                otherField: other.field,
                otherStop: other.stop,
                otherPatch: other.patch,
                otherVisit: other.visit,
              },
            },
          }),
        ),
    }),
  limits: (id: string, suppose: string) =>
    queryOptions({
      queryKey: ['field', id, 'limits', suppose],
      queryFn: () =>
        must(
          api.GET('/api/fields/{id}/limits', {
            params: { path: { id }, query: { suppose: suppose || undefined } },
          }),
        ),
      placeholderData: keepPreviousData,
    }),
  /** The coming days of a field, for some kinds of test. */
  days: (id: string, groups: string[] = []) =>
    queryOptions({
      queryKey: ['field', id, 'days', groups],
      queryFn: () =>
        must(
          api.GET('/api/fields/{id}/days', {
            params: { path: { id }, query: groups.length > 0 ? { groups } : {} },
          }),
        ),
      placeholderData: keepPreviousData,
    }),
  /** Days on which several fields are good at once. */
  goodDays: (fields: string[], groups: string[] = []) =>
    queryOptions({
      queryKey: ['good-days', fields, groups],
      queryFn: () =>
        must(
          api.GET('/api/good-days', {
            params: { query: groups.length > 0 ? { fields, groups } : { fields } },
          }),
        ),
      placeholderData: keepPreviousData,
    }),
  /** Planned days from a day on. */
  dayPlans: (from: string) =>
    queryOptions({
      queryKey: ['day-plans', from],
      queryFn: () => must(api.GET('/api/day-plans', { params: { query: { from } } })),
    }),
  dayPlan: (id: string) =>
    queryOptions({
      queryKey: ['day-plan', id],
      queryFn: () => must(api.GET('/api/day-plans/{id}', { params: { path: { id } } })),
    }),
  laboratories: () =>
    queryOptions({ queryKey: ['laboratories'], queryFn: () => must(api.GET('/api/laboratories')) }),
  bags: () => queryOptions({ queryKey: ['bags'], queryFn: () => must(api.GET('/api/bags')) }),
  dispatches: () =>
    queryOptions({
      queryKey: ['dispatches'],
      queryFn: () => must(api.GET('/api/dispatches')),
      // an answer comes by itself
      refetchInterval: 15_000,
    }),
  jobs: () =>
    queryOptions({
      queryKey: ['jobs'],
      queryFn: () => must(api.GET('/api/jobs')),
      refetchInterval: (query) => (query.state.data?.some((job) => job.state === 'running') ? 700 : 30_000),
    }),
  archiveSetting: () =>
    queryOptions({ queryKey: ['archive-setting'], queryFn: () => must(api.GET('/api/archive-setting')) }),
  calendarAddresses: () =>
    queryOptions({
      queryKey: ['calendar-addresses'],
      queryFn: () => must(api.GET('/api/calendar-addresses')),
    }),
  people: () => queryOptions({ queryKey: ['people'], queryFn: () => must(api.GET('/api/people')) }),
  sessions: () => queryOptions({ queryKey: ['sessions'], queryFn: () => must(api.GET('/api/sessions')) }),
  practice: () =>
    queryOptions({
      queryKey: ['practice'],
      queryFn: () => must(api.GET('/api/practice')),
      staleTime: 60_000,
    }),
  scatters: () => queryOptions({ queryKey: ['scatters'], queryFn: () => must(api.GET('/api/scatters')) }),
  ownRules: () => queryOptions({ queryKey: ['own-rules'], queryFn: () => must(api.GET('/api/own-rules')) }),
  /** What was done, newest first, a hundred at a time. */
  log: (wanted: LogWanted) =>
    infiniteQueryOptions({
      queryKey: ['log', wanted],
      queryFn: ({ pageParam }) =>
        must(api.GET('/api/log', { params: { query: { ...wanted, before: pageParam } } })),
      initialPageParam: undefined as number | undefined,
      getNextPageParam: (last) => (last.more ? last.entries.at(-1)?.number : undefined),
      placeholderData: keepPreviousData,
    }),
  visitHelpers: (visit: string) =>
    queryOptions({
      queryKey: ['visit', visit, 'helpers'],
      queryFn: () => must(api.GET('/api/visits/{id}/helpers', { params: { path: { id: visit } } })),
    }),
  year: () => queryOptions({ queryKey: ['year'], queryFn: () => must(api.GET('/api/year')) }),
  photos: (field: string) =>
    queryOptions({
      queryKey: ['photos', field],
      queryFn: () => must(api.GET('/api/fields/{id}/photos', { params: { path: { id: field } } })),
    }),
  photoBefore: (stop: string, method: string, before: string) =>
    queryOptions({
      queryKey: ['photos', 'before', stop, method, before],
      queryFn: async () =>
        (await must(
          api.GET('/api/stops/{id}/photo-before', {
            params: { path: { id: stop }, query: { method, before } },
          }),
        )) ?? null,
    }),
  field: (id: string) =>
    queryOptions({
      queryKey: ['field', id],
      queryFn: () => must(api.GET('/api/fields/{id}', { params: { path: { id } } })),
    }),
  /** All fields that match, sixty more at a time. */
  fieldPages: (wanted: FieldsWanted) =>
    infiniteQueryOptions({
      queryKey: ['fields', 'pages', wanted],
      queryFn: ({ pageParam }) =>
        must(api.GET('/api/fields', { params: { query: { ...wanted, offset: pageParam } } })),
      initialPageParam: 0,
      getNextPageParam: (last, pages) =>
        last.length < FIELDS_A_PAGE ? undefined : pages.length * FIELDS_A_PAGE,
      placeholderData: keepPreviousData,
    }),
  visit: (id: string) =>
    queryOptions({
      queryKey: ['visit', id],
      queryFn: () => must(api.GET('/api/visits/{id}', { params: { path: { id } } })),
    }),
  measurement: (id: string) =>
    queryOptions({
      queryKey: ['measurement', id],
      queryFn: () => must(api.GET('/api/measurements/{id}', { params: { path: { id } } })),
    }),
  timers: () =>
    queryOptions({
      queryKey: ['timers'],
      queryFn: async () => {
        try {
          const running = await must(api.GET('/api/timers'))
          // how far this device's clock is from the server's, which all clocks go by
          const heard = {
            timers: running.timers,
            offsetMs: Date.parse(running.serverNow) - Date.now(),
          }
          hear(heard)
          tellReached(true)
          return heard
        } catch (error) {
          if (!(error instanceof ApiError) || !error.unreached) throw error
          tellReached(false)
          return heardTimers() ?? { timers: [], offsetMs: 0 }
        }
      },
      refetchInterval: 20_000,
    }),
}
