import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { useState } from 'react'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { readTimes } from '../units/times'
import { SiteZone } from '../units/useTimes'
import { DayField, MomentField } from './DateField'

const home = Intl.DateTimeFormat().resolvedOptions().timeZone
const kept = vi.fn<(value: string) => void>()

function Day({ first }: { first: string }) {
  const [day, setDay] = useState(first)
  const keep = (next: string) => {
    kept(next)
    setDay(next)
  }
  return <DayField label="Due" value={day} onChange={keep} />
}

function Moment({ first }: { first: string }) {
  const [at, setAt] = useState(first)
  const keep = (next: string) => {
    kept(next)
    setAt(next)
  }
  return <MomentField label="At" value={at} onChange={keep} />
}

const field = (label: string): HTMLInputElement => screen.getByLabelText(label)

afterEach(() => {
  cleanup()
  readTimes({ homeZone: home, ownZone: '', dateFormat: '' })
})

describe('a day', () => {
  it('is typed in any usual way, and written in the person’s when the field is left', () => {
    readTimes({ homeZone: home, ownZone: '', dateFormat: 'dd.MM.yyyy' })
    render(<Day first="2026-11-30" />)
    expect(field('Due').value).toBe('30.11.2026')
    fireEvent.change(field('Due'), { target: { value: '2026-12-01' } })
    expect(kept).toHaveBeenLastCalledWith('2026-12-01')
    fireEvent.blur(field('Due'))
    expect(field('Due').value).toBe('01.12.2026')
  })

  it('that is none is said to be none, stays in the field, and is not kept', () => {
    render(<Day first="2026-11-30" />)
    fireEvent.change(field('Due'), { target: { value: '31.2.2026' } })
    fireEvent.blur(field('Due'))
    expect(field('Due').value).toBe('31.2.2026')
    expect(field('Due').getAttribute('aria-invalid')).toBe('true')
    expect(kept).toHaveBeenLastCalledWith('')
  })

  it('is chosen in a calendar', async () => {
    render(<Day first="2026-11-30" />)
    fireEvent.click(screen.getByLabelText('Due: choose in the calendar'))
    fireEvent.click(await screen.findByText('17'))
    expect(kept).toHaveBeenLastCalledWith('2026-11-17')
    expect(field('Due').value).toBe('17 Nov 2026')
  })
})

describe('a moment', () => {
  it('is that of the site, and keeps its time of day when another day is chosen', async () => {
    render(
      <SiteZone value="Asia/Tokyo">
        <Moment first="2026-11-30T16:30:00.000Z" />
      </SiteZone>,
    )
    expect(field('At').value).toBe('1 Dec 2026, 01:30')
    fireEvent.change(field('At'), { target: { value: '2 Dec 2026, 00:15' } })
    expect(kept).toHaveBeenLastCalledWith('2026-12-01T15:15:00.000Z')
    fireEvent.blur(field('At'))
    fireEvent.click(screen.getByLabelText('At: choose in the calendar'))
    fireEvent.click(await screen.findByText('17'))
    expect(kept).toHaveBeenLastCalledWith('2026-12-16T15:15:00.000Z')
  })
})
