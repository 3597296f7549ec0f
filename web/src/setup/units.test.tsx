import { answering, asked, forget, Refusal } from '../test/fakeServer'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import type { ChosenUnit, UnitKind, Units as AllUnits } from '../api/types'
import { showUnits } from '../units/shown'
import { show } from '../test/show'
import { Units } from './Units'

const kind = (more: Partial<UnitKind> = {}): UnitKind => ({
  kind: 'pressure',
  usual: 'bar',
  units: ['bar', 'kPa', 'psi'],
  everybody: null,
  own: null,
  ...more,
})

const psi = { stored: 'bar', unit: 'psi', factor: 14.50377377302092, offset: 0, decimals: null }

let held: ChosenUnit | null = null
const units = (): AllUnits => ({ kinds: [kind({ own: held })], ownUnits: [], shown: held?.unit === 'psi' ? [psi] : [] })

beforeEach(() => {
  held = null
  answering('GET', '/api/units', units)
  answering('PUT', '/api/units/mine', ({ body }) => {
    held = (body as { choices: { chosen: ChosenUnit | null }[] }).choices[0]?.chosen ?? null
    return units()
  })
})
afterEach(() => {
  cleanup()
  forget()
  showUnits([])
})

describe('units', () => {
  it('are chosen by a person for himself, seen at once, and taken back', async () => {
    show(<Units mayDecide={false} />)
    const choice: HTMLSelectElement = await screen.findByLabelText('Unit of Pressure')
    expect(screen.getByText('6.20')).toBeTruthy()
    fireEvent.change(choice, { target: { value: 'psi' } })
    expect(await screen.findByText('89.9')).toBeTruthy()
    fireEvent.click(screen.getByText('Undo'))
    await waitFor(() => expect(held).toBeNull())
    expect(await screen.findByText('6.20')).toBeTruthy()
  })

  it('keep the unit when only the decimals are chosen', async () => {
    held = { unit: 'psi', decimals: null }
    showUnits([psi])
    show(<Units mayDecide={false} />)
    fireEvent.change(await screen.findByLabelText('Decimals of Pressure'), { target: { value: '1' } })
    await waitFor(() => expect(held).toEqual({ unit: 'psi', decimals: 1 }))
  })

  it('of everybody are changed by whoever may decide, and by nobody else', async () => {
    show(<Units mayDecide={false} />)
    fireEvent.click(await screen.findByLabelText('Everybody'))
    expect((screen.getByLabelText('Unit of Pressure') as HTMLSelectElement).disabled).toBe(true)
    expect(screen.queryByText('Add own unit')).toBeNull()
    expect(screen.queryByText('Inch, pound')).toBeNull()
  })

  it('come all at once from a preset', async () => {
    show(<Units mayDecide />)
    fireEvent.click(await screen.findByText('Inch, pound'))
    await waitFor(() => expect(held).toEqual({ unit: 'psi', decimals: null }))
  })

  it('of the company’s own are added, and a refusal keeps what was typed', async () => {
    answering('POST', '/api/units/own', ({ body }) =>
      (body as { factor: string }).factor === '0'
        ? new Refusal(422, 'invalid', 'The factor is not zero.')
        : { ...units(), ownUnits: [body] },
    )
    show(<Units mayDecide />)
    fireEvent.click(await screen.findByText('Add own unit'))
    fireEvent.change(screen.getByLabelText('Symbol'), { target: { value: 'mWC' } })
    fireEvent.change(screen.getByLabelText('Factor'), { target: { value: '0' } })
    fireEvent.click(screen.getByText('Add unit'))
    expect(await screen.findByText('The factor is not zero.')).toBeTruthy()
    expect((screen.getByLabelText('Symbol') as HTMLInputElement).value).toBe('mWC')
    fireEvent.change(screen.getByLabelText('Factor'), { target: { value: '98.0665' } })
    fireEvent.click(screen.getByText('Add unit'))
    await waitFor(() =>
      expect(asked.filter((one) => one.path === '/api/units/own').at(-1)?.body).toMatchObject({
        symbol: 'mWC',
        factor: '98.0665',
        base: 'bar',
        offset: '0',
      }),
    )
  })
})
