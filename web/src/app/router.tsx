import {
  createRootRoute,
  createRoute,
  createRouter,
  lazyRouteComponent,
  Outlet,
  redirect,
} from '@tanstack/react-router'
import type { Narrowing } from '../plant/looking'
import { NoPage } from './NoPage'
import { Shell } from './Shell'

function text(search: Record<string, unknown>, key: string): string | undefined {
  const value = search[key]
  return typeof value === 'string' && value !== '' ? value : undefined
}

// Each room is fetched when somebody goes there: whoever comes in waits for what is the same in all of them, and for his room.
const root = createRootRoute({
  component: () => (
    <Shell>
      <Outlet />
    </Shell>
  ),
  notFoundComponent: NoPage,
})

const home = createRoute({
  getParentRoute: () => root,
  path: '/',
  beforeLoad: () => {
    throw redirect({ to: '/today' })
  },
})
const today = createRoute({
  getParentRoute: () => root,
  path: '/today',
  component: lazyRouteComponent(() => import('../today/TodayView'), 'TodayView'),
})
export const plantRoute = createRoute({
  getParentRoute: () => root,
  path: '/plant',
  component: lazyRouteComponent(() => import('../plant/PlantView'), 'PlantView'),
  validateSearch: (
    search: Record<string, unknown>,
  ): Partial<Record<'node' | 'check' | 'reading' | 'find' | 'show' | Narrowing, string>> => ({
    node: text(search, 'node'),
    check: text(search, 'check'),
    reading: text(search, 'reading'),
    find: text(search, 'find'),
    show: text(search, 'show'),
    within: text(search, 'within'),
    technique: text(search, 'technique'),
    assetClass: text(search, 'assetClass'),
    criticality: text(search, 'criticality'),
  }),
})
export const routesRoute = createRoute({
  getParentRoute: () => root,
  path: '/routes',
  component: lazyRouteComponent(() => import('../routes/RoutesView'), 'RoutesView'),
  validateSearch: (search: Record<string, unknown>): { route?: string; setup?: string } => ({
    route: text(search, 'route'),
    setup: text(search, 'setup'),
  }),
})
export const instrumentsRoute = createRoute({
  getParentRoute: () => root,
  path: '/instruments',
  component: lazyRouteComponent(() => import('../instruments/InstrumentsView'), 'InstrumentsView'),
  validateSearch: (search: Record<string, unknown>): { instrument?: string; load?: string; setup?: string } => ({
    instrument: text(search, 'instrument'),
    load: text(search, 'load'),
    setup: text(search, 'setup'),
  }),
})
const live = createRoute({
  getParentRoute: () => root,
  path: '/live',
  component: lazyRouteComponent(() => import('../live/LiveView'), 'LiveView'),
  validateSearch: (search: Record<string, unknown>): { instrument?: string; setup?: string } => ({
    instrument: text(search, 'instrument'),
    setup: text(search, 'setup'),
  }),
})
const handRound = createRoute({
  getParentRoute: () => root,
  path: '/by-hand',
  component: lazyRouteComponent(() => import('../byhand/HandRoundView'), 'HandRoundView'),
  validateSearch: (search: Record<string, unknown>): { route?: string; check?: string } => ({
    route: text(search, 'route'),
    check: text(search, 'check'),
  }),
})
const visits = createRoute({
  getParentRoute: () => root,
  path: '/visits',
  component: lazyRouteComponent(() => import('../visit/VisitsView'), 'VisitsView'),
})
export const visitRoute = createRoute({
  getParentRoute: () => root,
  path: '/visits/$visitId',
  component: lazyRouteComponent(() => import('../visit/VisitSheetView'), 'VisitSheetView'),
})
export const certificatesRoute = createRoute({
  getParentRoute: () => root,
  path: '/certificates',
  component: lazyRouteComponent(() => import('../certificates/CertificatesView'), 'CertificatesView'),
  validateSearch: (search: Record<string, unknown>): { certificate?: string } => ({
    certificate: text(search, 'certificate'),
  }),
})
const setup = createRoute({
  getParentRoute: () => root,
  path: '/setup',
  component: lazyRouteComponent(() => import('../setup/SetupView'), 'SetupView'),
})

export const router = createRouter({
  // A room is fetched when somebody points at it, before he presses.
  defaultPreload: 'intent',
  routeTree: root.addChildren([
    home,
    today,
    plantRoute,
    routesRoute,
    instrumentsRoute,
    live,
    handRound,
    visits,
    visitRoute,
    certificatesRoute,
    setup,
  ]),
})

declare module '@tanstack/react-router' {
  interface Register {
    router: typeof router
  }
}
