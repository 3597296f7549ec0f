import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useRef } from 'react'
import { api, data } from '../api/client'
import { refresh } from '../api/refresh'
import type { PictureView } from '../api/types'
import { Button } from '../parts/Button'
import { pictureOf } from '../parts/pictureFile'
import { Trouble } from '../parts/Trouble'
import { words } from '../words/en'

/** Takes a picture from the camera or from a file. */
export function AddPicture({ nodeId, onAdded }: { nodeId: string; onAdded: (picture: PictureView) => void }) {
  const client = useQueryClient()
  const input = useRef<HTMLInputElement>(null)
  const add = useMutation({
    mutationFn: async (chosen: File) => {
      const file = await pictureOf(chosen)
      return data(
        api.POST('/api/nodes/{nodeId}/pictures', {
          params: { path: { nodeId }, query: { id: crypto.randomUUID(), title: chosen.name.replace(/\.[^.]*$/, '') } },
          body: { file: file as unknown as string },
          bodySerializer: () => {
            const form = new FormData()
            form.set('file', file)
            return form
          },
        }),
      )
    },
    onSuccess: async (picture) => {
      await refresh(client, 'pictures')
      onAdded(picture)
    },
  })
  return (
    <>
      <input
        ref={input}
        type="file"
        accept="image/png,image/jpeg,image/*"
        aria-label={words.pictures.choose}
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const file = event.target.files?.[0]
          if (file) add.mutate(file)
          event.target.value = ''
        }}
      />
      <Button disabled={add.isPending} onClick={() => input.current?.click()}>
        {words.pictures.add}
      </Button>
      <Trouble error={add.error} />
    </>
  )
}
