import { createBrowserRouter } from 'react-router'
import { First } from './First'
import { FieldPage } from '../fields/FieldPage'
import { FieldsPage } from '../fields/FieldsPage'
import { NewVisitPage } from '../visits/NewVisitPage'
import { Shell } from './Shell'
import { SignInPage } from './SignInPage'

export const router = createBrowserRouter([
  { path: '/sign-in', element: <SignInPage /> },
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
      { path: '/fields', element: <FieldsPage /> },
      { path: '/fields/:id', element: <FieldPage /> },
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
      { path: '/fields/:id/visit', element: <NewVisitPage /> },
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
      {
        path: '/practice',
        lazy: () => import('../practice/PracticePage').then((m) => ({ Component: m.PracticePage })),
      },
      {
        path: '/practice/round',
        lazy: () => import('../practice/RoundPage').then((m) => ({ Component: m.RoundPage })),
      },
      {
        path: '/practice/round/:method/:top?',
        lazy: () => import('../practice/TestPage').then((m) => ({ Component: m.TestPage })),
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
