import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import type { CheckLine, PictureView, Verdict } from '../api/types'
import { answering, changes, forget, Refusal } from '../test/fakeServer'
import { show } from '../test/show'
import { PictureStrip } from './PictureStrip'

const check = (checkId: string, pointId: string, verdict: Verdict) =>
  ({
    checkId,
    assetTag: 'P-101',
    pointId,
    point: pointId === 'de' ? 'Drive end' : 'Non-drive end',
    check: 'Velocity',
    verdict,
  }) as CheckLine

const checks = [check('v1', 'de', 'PASS'), check('a1', 'de', 'FAIL'), check('v2', 'nde', 'PASS')]
const picture: PictureView = {
  id: 'pic',
  nodeId: 'p',
  title: 'Side view',
  width: 400,
  height: 200,
  spots: [{ nodeId: 'de', x: 0.25, y: 0.5 }],
  at: '2026-11-23T09:00:00Z',
  by: 'technician',
  version: 3,
}

const open = async (mayEdit: boolean, onPoint: (id: string) => void = () => undefined) => {
  show(<PictureStrip nodeId="p" checks={checks} mayEdit={mayEdit} onPoint={onPoint} />)
  fireEvent.click(await screen.findByLabelText('Open picture Side view'))
}

beforeEach(() => {
  answering('GET', '/api/nodes/p/pictures', () => [picture])
})
afterEach(() => {
  cleanup()
  forget()
})

describe('the pictures of a machine', () => {
  it('show each point by the worst of its checks and lead to it', async () => {
    const gone: string[] = []
    await open(false, (id) => gone.push(id))
    fireEvent.click(screen.getByLabelText('Drive end: Fail'))
    expect(gone).toEqual(['de'])
    expect(screen.queryByText('Save')).toBeNull()
  })

  it('take a mark where it is clicked, and by the arrow keys', async () => {
    answering('PUT', '/api/pictures/pic', () => picture)
    await open(true)
    expect((screen.getByText('Save') as HTMLButtonElement).disabled).toBe(true)
    fireEvent.click(screen.getByText('Mark'))
    const surface = screen.getByLabelText('Mark the point here')
    surface.getBoundingClientRect = () => ({ left: 100, top: 50, width: 400, height: 200 }) as DOMRect
    fireEvent.click(surface, { clientX: 400, clientY: 100, detail: 1 })
    fireEvent.keyDown(screen.getByLabelText('Drive end: Fail'), { key: 'ArrowRight' })
    fireEvent.click(screen.getByText('Save'))
    await waitFor(() =>
      expect(changes()[0]?.body).toEqual({
        title: 'Side view',
        version: 3,
        spots: [
          { nodeId: 'nde', x: 0.75, y: 0.25 },
          { nodeId: 'de', x: 0.26, y: 0.5 },
        ],
      }),
    )
  })

  it('keep what was marked where somebody else was quicker', async () => {
    answering('PUT', '/api/pictures/pic', () => new Refusal(409, 'stale', 'The picture was changed by someone else.'))
    await open(true)
    fireEvent.click(screen.getByText('Remove mark'))
    fireEvent.click(screen.getByText('Save'))
    expect((await screen.findByRole('alert')).textContent).toBe('The picture was changed by someone else.')
    expect(screen.getAllByText('Mark')).toHaveLength(2)
  })
})
