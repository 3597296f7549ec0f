import { answering, changes, forget, Refusal } from '../test/fakeServer'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { ImportPreview, ImportRow, Plate, TemplateLine } from '../api/types'
import { node } from '../test/fakePlant'
import { show } from '../test/show'
import { BulkDialog } from './BulkDialog'
import { ImportDialog } from './ImportDialog'
import { KeepAsTemplate } from './KeepAsTemplate'
import { Nameplate } from './Nameplate'
import type { Row } from './outline'
import { TemplateDialog } from './TemplateDialog'
import german from '../words/de'
import english from '../words/en'
import { type Wording, speak } from '../words/i18n'
import { noFilter } from './looking'
import { option } from '../test/option'

afterEach(() => {
  cleanup()
  forget()
})

const committed = (sentence: string) => ({ changeId: 'change', sentence, added: ['first'] })
const bodyOf = (path: string) => changes().find((change) => change.path === path)?.body

describe('rows to be pasted', () => {
  const row = (number: number, state: ImportRow['state'], notes: string[] = []): ImportRow => ({
    number,
    depth: 0,
    label: `P-${number}`,
    level: 'ASSET',
    state,
    notes,
    rows: 1,
  })
  const preview = (rows: ImportRow[], more: Partial<ImportPreview>): ImportPreview => ({
    rows,
    fresh: 0,
    changed: 0,
    same: 0,
    wrong: 0,
    changes: 0,
    ignored: [],
    digest: 'seen',
    ...more,
  })
  const source = { kind: 'text', text: 'P-1', parentId: 'a' } as const

  it('are taken as they were shown', async () => {
    answering('POST', '/api/plant/paste/preview', () =>
      preview([row(1, 'NEW'), row(2, 'CHANGED', ['name: A → B'])], { fresh: 1, changed: 1, changes: 2 }),
    )
    answering('POST', '/api/plant/paste', () => committed('Imported'))
    const onTaken = vi.fn()
    show(<ImportDialog source={source} onTaken={onTaken} onClose={() => undefined} />)
    expect(await screen.findByText('1 new, 1 changed. No errors.')).toBeTruthy()
    expect(screen.getByText('name: A → B')).toBeTruthy()
    fireEvent.click(screen.getByText('Import 2 rows'))
    await waitFor(() => expect(onTaken).toHaveBeenCalledWith('first'))
    expect(bodyOf('/api/plant/paste')).toMatchObject({ parentId: 'a', text: 'P-1', digest: 'seen' })
  })

  it('are not taken as long as one is wrong, and columns left out are told', async () => {
    answering('POST', '/api/plant/paste/preview', () =>
      preview([row(1, 'WRONG', ['It has neither tag nor name.']), row(2, 'NEW')], {
        fresh: 1,
        wrong: 1,
        ignored: ['colour'],
      }),
    )
    show(<ImportDialog source={source} onTaken={() => undefined} onClose={() => undefined} />)
    expect(await screen.findByText('1 of 2 rows has an error. Nothing is imported until all are correct.')).toBeTruthy()
    expect(screen.getByText('Unknown columns are not imported: colour.')).toBeTruthy()
    expect(screen.getByText('It has neither tag nor name.')).toBeTruthy()
    expect((screen.getByText('Import rows') as HTMLButtonElement).disabled).toBe(true)
  })

  it('are followed while they are taken, and may be stopped', async () => {
    const id = '00000000-0000-4000-8000-000000000001'
    vi.spyOn(crypto, 'randomUUID').mockReturnValue(id)
    let stopped: () => void = () => undefined
    answering('POST', '/api/plant/paste/preview', () => preview([row(1, 'NEW')], { fresh: 5000, changes: 5000 }))
    answering(
      'POST',
      '/api/plant/paste',
      () =>
        new Promise((done) => (stopped = () => done(new Refusal(409, 'stopped', 'Stopped. Nothing was imported.')))),
    )
    answering('GET', `/api/jobs/${id}`, () => ({
      id,
      kind: 'import',
      title: 'Importing into the plant',
      state: 'RUNNING',
      done: 2000,
      total: 5000,
      sentence: 'Writing rows of the plant',
    }))
    answering('POST', `/api/jobs/${id}/stop`, () => stopped())
    show(<ImportDialog source={source} onTaken={() => undefined} onClose={() => undefined} />)
    fireEvent.click(await screen.findByText('Import 5,000 rows'))
    expect(await screen.findByText('2,000 of 5,000')).toBeTruthy()
    fireEvent.click(screen.getByText('Stop'))
    expect(await screen.findByText('Stopped. Nothing was imported.')).toBeTruthy()
    expect(screen.queryByText('2,000 of 5,000')).toBeNull()
    vi.restoreAllMocks()
  })

  it('say so when the plant was changed in between', async () => {
    answering('POST', '/api/plant/paste/preview', () => preview([row(1, 'NEW')], { fresh: 1, changes: 1 }))
    answering(
      'POST',
      '/api/plant/paste',
      () => new Refusal(409, 'plant-changed', 'The plant was changed since you looked.'),
    )
    const onTaken = vi.fn()
    show(<ImportDialog source={source} onTaken={onTaken} onClose={() => undefined} />)
    fireEvent.click(await screen.findByText('Import 1 row'))
    expect((await screen.findByRole('alert')).textContent).toBe('The plant was changed since you looked.')
    expect(onTaken).not.toHaveBeenCalled()
  })
})

describe('templates', () => {
  const template = (more: Partial<TemplateLine>): TemplateLine => ({
    id: 't',
    name: 'Pump set',
    revision: 2,
    level: 'ASSET',
    rows: 19,
    checks: 12,
    stamped: 3,
    behind: 0,
    parts: [{ depth: 0, level: 'ASSET', label: 'Pump set' }],
    ...more,
  })
  const rowOf = (id: string, level: 'AREA' | 'ASSET' | 'CHECK'): Row => ({
    node: node(id, 'above', level, id),
    depth: 0,
    hasChildren: false,
    isOpen: false,
    line: { node: node(id, 'above', level, id), children: 0, isHit: false, standing: {} as Row['line']['standing'] },
  })

  it('are stamped into an area, and behind an asset', async () => {
    answering('GET', '/api/templates', () => [template({})])
    answering('POST', '/api/templates/t/stamp', () => committed('Stamped'))
    const onStamped = vi.fn()
    show(<TemplateDialog row={rowOf('pump', 'ASSET')} onStamped={onStamped} onClose={() => undefined} />)
    expect(await screen.findByText('Created after pump.')).toBeTruthy()
    fireEvent.change(screen.getByLabelText('Tags'), { target: { value: 'P-201..P-240' } })
    fireEvent.click(screen.getByText('Create assets'))
    await waitFor(() => expect(onStamped).toHaveBeenCalled())
    expect(bodyOf('/api/templates/t/stamp')).toMatchObject({
      parentId: 'above',
      afterId: 'pump',
      tags: 'P-201..P-240',
      name: '',
    })
    cleanup()
    show(<TemplateDialog row={rowOf('Wellfield', 'AREA')} onStamped={onStamped} onClose={() => undefined} />)
    expect(await screen.findByText('Created in Wellfield.')).toBeTruthy()
  })

  it('are stamped nowhere they do not belong', async () => {
    answering('GET', '/api/templates', () => [template({})])
    show(<TemplateDialog row={rowOf('Velocity', 'CHECK')} onStamped={() => undefined} onClose={() => undefined} />)
    expect(await screen.findByText('Choose their place in the plant: an area, a system or an asset.')).toBeTruthy()
    fireEvent.change(screen.getByLabelText('Tags'), { target: { value: 'P-1' } })
    expect((screen.getByText('Create assets') as HTMLButtonElement).disabled).toBe(true)
  })

  it('are followed by those that are chosen', async () => {
    answering('GET', '/api/templates', () => [template({ behind: 2 })])
    answering('GET', '/api/templates/t/followers', () => [
      { nodeId: 'a', tag: 'P-1', name: 'One', revision: 1, changes: 3, kept: 0 },
      { nodeId: 'b', tag: 'P-2', name: 'Two', revision: 1, changes: 0, kept: 1 },
    ])
    answering('POST', '/api/templates/t/follow', () => committed('1 follows'))
    show(<TemplateDialog row={undefined} onStamped={() => undefined} onClose={() => undefined} />)
    expect(await screen.findByText('3 rows change')).toBeTruthy()
    expect(screen.getByText('no change, 1 set by hand stays')).toBeTruthy()
    fireEvent.click(screen.getByLabelText('P-2 Two'))
    fireEvent.click(screen.getByText('Update 1 asset'))
    await waitFor(() => expect(bodyOf('/api/templates/t/follow')).toEqual(['a']))
  })

  it('are kept of an asset, as a new one or as the next revision of one', async () => {
    answering('GET', '/api/templates', () => [template({})])
    answering('POST', '/api/templates', () => template({ revision: 3 }))
    show(<KeepAsTemplate node={node('pump', 'a', 'ASSET', 'Well pump', 'P-1')} />)
    fireEvent.click(await screen.findByText('Save as template'))
    await screen.findByText('Pump set, revision 3')
    fireEvent.change(screen.getByLabelText('Save as'), { target: { value: 't' } })
    expect(screen.queryByLabelText('Name of the template')).toBeNull()
    fireEvent.click(screen.getByText('Save'))
    await waitFor(() => expect(bodyOf('/api/templates')).toEqual({ nodeId: 'pump', templateId: 't', name: null }))
  })
})

describe('the nameplate', () => {
  const plate: Plate = {
    assetClass: 'pump',
    classes: [{ id: 'pump', name: 'Pump set' }],
    lines: [
      { key: 'powerKw', name: 'Power', unit: 'kW', options: [], isNumber: true, value: '22' },
      {
        key: 'foundation',
        name: 'Foundation',
        unit: '',
        options: [option('rigid'), option('flexible')],
        isNumber: false,
        value: '',
      },
    ],
    derived: [{ name: 'shaft', value: 24.67, unit: 'Hz' }],
  }
  const pump = node('pump', 'a', 'ASSET', 'Well pump', 'P-1')

  it('is said in a line and written with what was seen before', async () => {
    answering('GET', '/api/plant/nodes/pump/nameplate', () => plate)
    answering('POST', '/api/plant/alter', () => committed('Changed nameplate'))
    show(<Nameplate node={pump} mayEdit />)
    expect(await screen.findByText('Power 22 kW.')).toBeTruthy()
    fireEvent.click(screen.getByText('Nameplate'))
    fireEvent.change(screen.getByLabelText('Power'), { target: { value: '18,5' } })
    fireEvent.change(screen.getByLabelText('Foundation'), { target: { value: 'rigid' } })
    fireEvent.click(screen.getByText('Save nameplate'))
    await waitFor(() =>
      expect(bodyOf('/api/plant/alter')).toMatchObject({
        nodes: [
          {
            node: 'pump',
            facets: {
              'nameplate.powerKw': { from: '22', to: '18.5' },
              'nameplate.foundation': { from: '', to: 'rigid' },
            },
          },
        ],
      }),
    )
  })

  it('is read as the language writes numbers and calls what was chosen', async () => {
    await speak('de', german as Wording)
    const filled = plate.lines.map((line) =>
      line.isNumber
        ? { ...line, value: '15.5' }
        : { ...line, options: [{ value: 'rigid', name: 'starr' }], value: 'rigid' },
    )
    answering('GET', '/api/plant/nodes/pump/nameplate', () => ({ ...plate, lines: filled }))
    answering('POST', '/api/plant/alter', () => committed('Changed nameplate'))
    show(<Nameplate node={pump} mayEdit />)
    expect(await screen.findByText('Power 15,5 kW, Foundation starr.')).toBeTruthy()
    fireEvent.click(screen.getByRole('button'))
    expect((screen.getByLabelText('Power') as HTMLInputElement).value).toBe('15,5')
    await speak('en', english)
  })

  it('only shows, to somebody who may only look', async () => {
    answering('GET', '/api/plant/nodes/pump/nameplate', () => plate)
    show(<Nameplate node={pump} mayEdit={false} />)
    fireEvent.click(await screen.findByText('Nameplate'))
    expect((screen.getByLabelText('Power') as HTMLInputElement).disabled).toBe(true)
    expect(screen.queryByText('Save nameplate')).toBeNull()
  })
})

describe('many rows at once', () => {
  beforeEach(() => {
    answering('GET', '/api/plant/techniques', () => [
      {
        id: 'vibration',
        name: 'Vibration',
        presets: [],
        settings: [{ key: 'lines', name: 'Lines', unit: '', options: [option('400'), option('800')] }],
        results: [{ id: 'velocity.rms', name: 'velocity RMS', unit: 'mm/s' }],
      },
    ])
    answering('POST', '/api/bulk', () => committed('Changed 3 rows at once'))
  })
  const change = () => screen.getByText('Change 3 rows') as HTMLButtonElement

  it('get a setting, but nothing before it is said which', async () => {
    show(<BulkDialog many={{ count: 3, ids: ['a', 'b', 'c'], filter: null }} onClose={() => undefined} />)
    await screen.findByText('Vibration: Lines')
    expect(change().disabled).toBe(true)
    fireEvent.change(screen.getByLabelText('Value'), { target: { value: '800' } })
    fireEvent.click(change())
    await waitFor(() =>
      expect(bodyOf('/api/bulk')).toMatchObject({
        ids: ['a', 'b', 'c'],
        filter: null,
        facets: { 'setting.vibration.lines': '800' },
      }),
    )
  })

  it('get a limit, written as limits are, or inherit it again', async () => {
    const filter = { ...noFilter, text: 'pump' }
    show(<BulkDialog many={{ count: 3, ids: null, filter }} onClose={() => undefined} />)
    await screen.findByText('Limit of velocity RMS')
    fireEvent.change(screen.getByLabelText('Field'), { target: { value: 'limit.vibration.velocity.rms' } })
    fireEvent.change(screen.getByLabelText('Fail'), { target: { value: '4,5' } })
    fireEvent.click(change())
    await waitFor(() =>
      expect(bodyOf('/api/bulk')).toMatchObject({
        ids: null,
        filter,
        facets: { 'limit.vibration.velocity.rms': '-/4.5 mm/s' },
      }),
    )
    fireEvent.click(screen.getByLabelText('Use inherited on each'))
    fireEvent.click(change())
    await waitFor(() =>
      expect(changes().at(-1)?.body).toMatchObject({ facets: { 'limit.vibration.velocity.rms': '' } }),
    )
  })
})
