import { answering, asked, changes, forget } from '../test/fakeServer'
import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { useState } from 'react'
import { afterEach, describe, expect, it, vi } from 'vitest'
import type { PlantNode, SettingLine } from '../api/types'
import { answeringPlant, node } from '../test/fakePlant'
import { show } from '../test/show'
import { t } from '../words/t'
import { AssetSheet } from './AssetSheet'
import { noFilter } from './looking'
import { Outliner } from './Outliner'
import { useOutline } from './useOutline'

afterEach(() => {
  cleanup()
  forget()
})

function sheetOf(one: PlantNode) {
  answering('GET', `/api/nodes/${one.id}/sheet`, () => ({
    node: one,
    path: [one],
    checks: [],
    checkCount: 0,
    standing: {},
  }))
  answering('GET', `/api/plant/nodes/${one.id}/settings`, () => [rate])
}

const rate: SettingLine = {
  key: 'rate',
  name: 'Rate',
  unit: '',
  options: [],
  value: '25600',
  own: false,
  originId: null,
  originName: '',
  sensor: '',
  inherited: '25600',
  overriddenBelow: 0,
  hint: '',
}

describe('a sheet', () => {
  const one = node('a', null, 'AREA', 'Wellfield')
  const other = node('b', null, 'AREA', 'Filling line')

  function Switching() {
    const [id, setId] = useState('a')
    return (
      <>
        <button onClick={() => setId(id === 'a' ? 'b' : 'a')}>the other</button>
        <AssetSheet nodeId={id} checkId={undefined} readingId={undefined} mayEdit show={() => undefined} />
      </>
    )
  }

  it('keeps a question to the node it was asked of, and its settings open', async () => {
    sheetOf(one)
    sheetOf(other)
    answering('POST', '/api/plant/nodes/a/settings/effect', () => ({ checks: 4, kept: 0, first: ['P-101'] }))
    show(<Switching />)
    // Both have been looked at: neither has to be waited for.
    await screen.findByRole('heading', { name: 'Wellfield' })
    fireEvent.click(screen.getByText('the other'))
    await screen.findByRole('heading', { name: 'Filling line' })
    fireEvent.click(screen.getByText('the other'))
    await screen.findByRole('heading', { name: 'Wellfield' })
    fireEvent.click(screen.getByText('Settings'))
    const field = await screen.findByLabelText('Rate')
    fireEvent.change(field, { target: { value: '12800' } })
    fireEvent.blur(field)
    await screen.findByRole('alert')
    fireEvent.click(screen.getByText('the other'))
    await screen.findByRole('heading', { name: 'Filling line' })
    expect(screen.queryByRole('alert')).toBeNull()
    expect(((await screen.findByLabelText('Rate')) as HTMLInputElement).value).toBe('25600')
    expect(changes().filter((change) => change.method === 'PUT')).toHaveLength(0)
  })

  it('of a check draws its detail once', async () => {
    const check = node('v', null, 'CHECK', 'Run')
    const line = () => ({
      checkId: 'v',
      pointId: 'p',
      assetTag: 'R-1',
      point: 'Logger',
      check: 'Run',
      result: '',
      resultId: '',
      unit: '',
      unitLabel: '',
      isByHand: false,
      readingId: null,
      readAt: null,
      value: null,
      watch: null,
      fail: null,
      watchLow: null,
      isLower: false,
      failLow: null,
      limitNow: '',
      change: null,
      verdict: 'NOT_JUDGED',
      verdictBefore: 'NOT_JUDGED',
      reason: 'never measured',
      notes: null,
      spark: [],
    })
    answering('GET', '/api/nodes/v/sheet', () => ({
      node: check,
      path: [check],
      checks: [line()],
      checkCount: 1,
      standing: {},
    }))
    answering('GET', '/api/plant/nodes/v/settings', () => [])
    const errors = vi.spyOn(console, 'error').mockImplementation(() => undefined)
    show(<AssetSheet nodeId="v" checkId="v" readingId={undefined} mayEdit show={() => undefined} />)
    expect(await screen.findAllByText(t('plant:neverMeasured'))).toHaveLength(1)
    expect(errors.mock.calls.flat().join(' ')).not.toContain('same key')
    errors.mockRestore()
  })

  it('of a row being added is not asked for before it is stored', async () => {
    let plant = [node('c', null, 'CLIENT', 'Marrowdale Works')]
    answeringPlant(() => plant)
    sheetOf(plant[0] as PlantNode)
    let store: () => void = () => undefined
    answering('POST', '/api/plant/nodes', async ({ body }) => {
      const wanted = body as PlantNode
      await new Promise<void>((resolve) => (store = resolve))
      const stored = node(wanted.id, 'c', 'SITE', wanted.name)
      sheetOf(stored)
      plant = [...plant, stored]
      return { node: stored, changeId: 'change-1' }
    })
    function Plant() {
      const [chosen, setChosen] = useState<string>('c')
      const outline = useOutline(noFilter, chosen)
      if (!outline.plant) return null
      return (
        <>
          <Outliner outline={outline} chosenId={chosen} choose={setChosen} mayEdit />
          <AssetSheet nodeId={chosen} checkId={undefined} readingId={undefined} mayEdit show={() => undefined} />
        </>
      )
    }
    show(<Plant />)
    const first = (await screen.findAllByRole('row')).find((row) => row.dataset.node === 'c') as HTMLElement
    fireEvent.click(first)
    fireEvent.keyDown(first, { key: 'Enter' })
    fireEvent.keyDown(await screen.findByLabelText('New client'), { key: 'Tab' })
    const field = await screen.findByLabelText('New site')
    fireEvent.change(field, { target: { value: 'Bottling works' } })
    fireEvent.keyDown(field, { key: 'Enter' })
    await waitFor(() => expect(changes()).toHaveLength(1))
    const id = (changes()[0]?.body as { id: string }).id
    expect(asked.some((request) => request.path === `/api/nodes/${id}/sheet`)).toBe(false)
    act(() => store())
    expect(await screen.findByRole('heading', { name: 'Bottling works' })).toBeTruthy()
    expect(screen.queryByText(/somebody may have removed it/)).toBeNull()
  })
})
