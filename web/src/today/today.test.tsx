import { forget } from '../test/fakeServer'
import { cleanup, screen } from '@testing-library/react'
import { afterEach, describe, expect, it } from 'vitest'
import type { FirstRound, RouteCalendar, ScheduledRoute } from '../api/types'
import { show } from '../test/show'
import { FirstRoundSteps } from './FirstRoundSteps'
import { weeksOf } from './NextWeeks'

afterEach(() => {
  cleanup()
  forget()
})

describe('the first round', () => {
  const nothing: FirstRound = {
    plant: false,
    checks: false,
    instrument: false,
    route: false,
    readBack: false,
    certificate: false,
  }

  it('offers one action: the first step that is still open', async () => {
    show(<FirstRoundSteps first={{ ...nothing, plant: true, instrument: true }} />)
    const next = await screen.findByText('Start')
    expect(next.closest('tr')?.textContent).toContain('Choose what is checked at each point')
    expect(screen.getAllByText('done')).toHaveLength(2 + 2)
  })

  it('begins with the plant', async () => {
    show(<FirstRoundSteps first={nothing} />)
    expect((await screen.findByText('Start')).getAttribute('href')).toBe('/plant')
  })
})

describe('the calendar', () => {
  it('puts each walk into its week, weeks beginning on Monday', () => {
    const route = { routeId: 'r', dates: ['2026-11-29', '2026-11-30', '2026-12-06'] } as ScheduledRoute
    const calendar: RouteCalendar = { today: '2026-11-25', days: 14, routes: [route] }
    expect(weeksOf(calendar).map((week) => [week.begins, week.walks.map((walk) => walk.on)])).toEqual([
      ['2026-11-23', ['2026-11-29']],
      ['2026-11-30', ['2026-11-30', '2026-12-06']],
    ])
  })
})
