import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { createMemoryHistory, createRootRoute, createRoute, createRouter, RouterProvider } from '@tanstack/react-router'
import { render } from '@testing-library/react'
import type { ReactNode } from 'react'
import { NoticeBar } from '../parts/NoticeBar'
import { dismiss } from '../parts/notices'
import { forgetSession } from '../plant/plantHistory'

// Without a layout nothing would be in view, and lists draw only what is.
Object.defineProperty(HTMLElement.prototype, 'clientHeight', { configurable: true, get: () => 800 })
Object.defineProperty(HTMLElement.prototype, 'clientWidth', { configurable: true, get: () => 600 })

/** Shows a part of the front end with everything it expects around it. */
export function show(part: ReactNode) {
  dismiss()
  forgetSession()
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } })
  const root = createRootRoute()
  const home = createRoute({
    getParentRoute: () => root,
    path: '/',
    component: () => (
      <>
        {part}
        <NoticeBar />
      </>
    ),
  })
  const plant = createRoute({ getParentRoute: () => root, path: '/plant', component: () => 'the plant' })
  const router = createRouter({ routeTree: root.addChildren([home, plant]), history: createMemoryHistory() })
  return render(
    <QueryClientProvider client={client}>
      <RouterProvider router={router as never} />
    </QueryClientProvider>,
  )
}
