import { answering, changes, forget } from '../test/fakeServer'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, describe, expect, it } from 'vitest'
import type { SettingLine } from '../api/types'
import { show } from '../test/show'
import { SettingsPanel } from './SettingsPanel'
import { option } from '../test/option'

afterEach(() => {
  cleanup()
  forget()
})

describe('settings', () => {
  const line = (key: string, more: Partial<SettingLine>): SettingLine => ({
    key,
    name: key,
    unit: '',
    options: [],
    value: '1',
    own: false,
    originId: null,
    originName: '',
    sensor: '',
    inherited: '1',
    overriddenBelow: 0,
    hint: '',
    ...more,
  })

  it('show where each value comes from, and let one inherit again', async () => {
    answering('GET', '/api/plant/nodes/n/settings', () => [
      line('Lines', {}),
      line('Sensitivity', { value: '50', originId: 'site', originName: 'Bottling works' }),
      line('Rate', { value: '12800', own: true, originId: 'n', inherited: '25600' }),
    ])
    answering('POST', '/api/plant/nodes/n/settings/effect', () => ({ checks: 1, kept: 0, first: ['P-101'] }))
    answering('PUT', '/api/plant/nodes/n/settings', () => ({ changeId: 'c', sentence: '', added: [] }))
    show(<SettingsPanel nodeId="n" isOpen onOpen={() => undefined} mayEdit />)
    expect(await screen.findByText('Bottling works')).toBeTruthy()
    expect(screen.getByText('default')).toBeTruthy()
    expect(screen.getByText('(25600)', { exact: false })).toBeTruthy()
    fireEvent.click(screen.getByText('Use inherited'))
    await waitFor(() =>
      expect(changes().map((change) => [change.method, change.body])).toEqual([
        ['POST', { Rate: null }],
        ['PUT', { Rate: null }],
      ]),
    )
  })

  it('name the sensor that answers one, and let nobody type over it', async () => {
    answering('GET', '/api/plant/nodes/n/settings', () => [
      line('Sensor', {
        value: 'ACC-1',
        own: true,
        originId: 'n',
        options: [option('none'), option('ACC-1'), option('ACC-2')],
      }),
      line('Sensitivity', { value: '101.2', own: true, originId: 'n', sensor: 'ACC-1' }),
    ])
    answering('POST', '/api/plant/nodes/n/settings/effect', () => ({ checks: 1, kept: 0, first: ['P-101'] }))
    answering('PUT', '/api/plant/nodes/n/settings', () => ({ changeId: 'c', sentence: '', added: [] }))
    show(<SettingsPanel nodeId="n" isOpen onOpen={() => undefined} mayEdit />)
    expect(await screen.findByText('of sensor ACC-1')).toBeTruthy()
    expect(screen.queryByLabelText('Sensitivity')).toBeNull()
    fireEvent.change(screen.getByLabelText('Sensor'), { target: { value: 'ACC-2' } })
    await waitFor(() => expect(changes()[1]).toMatchObject({ method: 'PUT', body: { Sensor: 'ACC-2' } }))
  })

  it('ask before many checks change, and do nothing when a field is left unchanged', async () => {
    answering('GET', '/api/plant/nodes/n/settings', () => [line('Rate', { value: '25600' })])
    answering('POST', '/api/plant/nodes/n/settings/effect', () => ({
      checks: 12,
      kept: 2,
      first: ['P-101 Drive end, Velocity'],
    }))
    answering('PUT', '/api/plant/nodes/n/settings', () => ({ changeId: 'c', sentence: '', added: [] }))
    show(<SettingsPanel nodeId="n" isOpen onOpen={() => undefined} mayEdit />)
    const field = await screen.findByLabelText('Rate')
    fireEvent.blur(field)
    expect(changes()).toHaveLength(0)
    fireEvent.change(field, { target: { value: '12800' } })
    fireEvent.blur(field)
    expect((await screen.findByRole('alert')).textContent).toContain(
      'Changes how 12 checks are measured, 2 keep their own values.',
    )
    expect(screen.getByText('P-101 Drive end, Velocity and 11 more')).toBeTruthy()
    expect(changes()).toHaveLength(1)
    fireEvent.click(screen.getByText('Change setting'))
    await waitFor(() => expect(changes()[1]).toMatchObject({ method: 'PUT', body: { Rate: '12800' } }))
  })
})
