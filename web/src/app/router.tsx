import { createBrowserRouter, redirect } from 'react-router'
import { First } from './First'
import { Shell } from './Shell'

export const router = createBrowserRouter([
  {
    path: '/sign-in',
    lazy: () => import('./SignInPage').then((m) => ({ Component: m.SignInPage })),
  },
  {
    path: '/invited/:secret',
    lazy: () => import('../people/InvitedPage').then((m) => ({ Component: m.InvitedPage })),
  },
  {
    element: <Shell />,
    children: [
      { index: true, element: <First /> },
      {
        path: '/today',
        lazy: () => import('../days/TodayPage').then((m) => ({ Component: m.TodayPage })),
      },
      {
        path: '/year',
        lazy: () => import('../days/YearPage').then((m) => ({ Component: m.YearPage })),
      },
      {
        path: '/days/new',
        lazy: () => import('../days/PlanDayPage').then((m) => ({ Component: m.PlanDayPage })),
      },
      {
        path: '/days/:id',
        lazy: () => import('../days/DayPage').then((m) => ({ Component: m.DayPage })),
      },
      {
        path: '/days/:id/change',
        lazy: () => import('../days/PlanDayPage').then((m) => ({ Component: m.PlanDayPage })),
      },
      {
        path: '/fields',
        lazy: () => import('../fields/FieldsPage').then((m) => ({ Component: m.FieldsPage })),
      },
      {
        path: '/fields/:id',
        lazy: () => import('../fields/FieldPage').then((m) => ({ Component: m.FieldPage })),
      },
      {
        path: '/fields/:id/limits',
        lazy: () => import('../limits/LimitsPage').then((m) => ({ Component: m.LimitsPage })),
      },
      {
        path: '/fields/:id/plan',
        lazy: () => import('../plans/PlanPage').then((m) => ({ Component: m.PlanPage })),
      },
      {
        path: '/fields/:id/sheet',
        lazy: () => import('../results/SheetPage').then((m) => ({ Component: m.SheetPage })),
      },
      {
        path: '/fields/:id/change',
        lazy: () => import('../results/ChangePage').then((m) => ({ Component: m.ChangePage })),
      },
      {
        path: '/fields/:id/compare',
        lazy: () => import('../results/ComparePage').then((m) => ({ Component: m.ComparePage })),
      },
      {
        path: '/fields/:id/places',
        lazy: () => import('../places/PlacesPage').then((m) => ({ Component: m.PlacesPage })),
      },
      {
        path: '/fields/:id/visit',
        lazy: () => import('../visits/NewVisitPage').then((m) => ({ Component: m.NewVisitPage })),
      },
      {
        path: '/visits/:id',
        lazy: () => import('../visits/VisitPage').then((m) => ({ Component: m.VisitPage })),
      },
      {
        path: '/visits/:id/stops/:stop/:method/:measurement?',
        lazy: () => import('../capture/CapturePage').then((m) => ({ Component: m.CapturePage })),
      },
      {
        path: '/measurements/:id',
        lazy: () => import('../visits/MeasurementPage').then((m) => ({ Component: m.MeasurementPage })),
      },
      {
        path: '/clocks',
        lazy: () => import('../timers/ClocksPage').then((m) => ({ Component: m.ClocksPage })),
      },
      {
        path: '/laboratory',
        lazy: () => import('../laboratory/LaboratoryPage').then((m) => ({ Component: m.LaboratoryPage })),
      },
      {
        path: '/exchange',
        lazy: () => import('../exchange/ExchangePage').then((m) => ({ Component: m.ExchangePage })),
      },
      {
        path: '/settings',
        lazy: () => import('../people/YouPage').then((m) => ({ Component: m.YouPage })),
      },
      {
        path: '/settings/people',
        lazy: () => import('../people/PeoplePage').then((m) => ({ Component: m.PeoplePage })),
      },
      {
        path: '/settings/practice',
        lazy: () => import('../people/PracticePage').then((m) => ({ Component: m.PracticePage })),
      },
      {
        path: '/settings/curves',
        lazy: () => import('../people/RulesPage').then((m) => ({ Component: m.RulesPage })),
      },
      {
        path: '/settings/log',
        lazy: () => import('../people/LogPage').then((m) => ({ Component: m.LogPage })),
      },
      {
        path: '/products',
        lazy: () => import('../plans/ProductsPage').then((m) => ({ Component: m.ProductsPage })),
      },
      {
        path: '/calibration',
        lazy: () =>
          import('../calibration/CalibrationsPage').then((m) => ({ Component: m.CalibrationsPage })),
      },
      {
        path: '/calibration/:id',
        lazy: () => import('../calibration/SessionPage').then((m) => ({ Component: m.SessionPage })),
      },
      // as it was called before: addresses that people kept
      { path: '/practice/*', loader: () => redirect('/training') },
      {
        path: '/training',
        lazy: () => import('../training/TrainingPage').then((m) => ({ Component: m.TrainingPage })),
      },
      {
        path: '/training/round',
        lazy: () => import('../training/RoundPage').then((m) => ({ Component: m.RoundPage })),
      },
      {
        path: '/training/round/:method/:top?',
        lazy: () => import('../training/TestPage').then((m) => ({ Component: m.TestPage })),
      },
      {
        path: '/bench/plan/:plan',
        lazy: () => import('../bench/BenchPage').then((m) => ({ Component: m.BenchPage })),
      },
      {
        path: '/bench/:method?',
        lazy: () => import('../bench/BenchPage').then((m) => ({ Component: m.BenchPage })),
      },
      { path: '*', lazy: () => import('./NotFoundPage').then((m) => ({ Component: m.NotFoundPage })) },
    ],
  },
])

/** What one opens next is fetched while nobody waits: the list of fields and a field's own pages. */
export function fetchAhead() {
  const wait = window.requestIdleCallback ?? ((work: () => void) => setTimeout(work, 1500))
  wait(() => {
    void import('../fields/FieldsPage')
    void import('../fields/FieldPage')
    void import('../limits/LimitsPage')
    void import('../visits/VisitPage')
  })
}
