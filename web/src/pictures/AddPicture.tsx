import { useMutation, useQueryClient } from '@tanstack/react-query'
import { api, data } from '../api/client'
import { asForm } from '../api/fileForm'
import { changed } from '../api/subjects'
import type { PictureView } from '../api/types'
import { FileButton } from '../parts/FileButton'
import { pictureOf } from '../parts/pictureFile'
import { Trouble } from '../parts/Trouble'
import { t } from '../words/t'

/** Takes a picture from the camera or from a file. */
export function AddPicture({ nodeId, onAdded }: { nodeId: string; onAdded: (picture: PictureView) => void }) {
  const client = useQueryClient()
  const add = useMutation({
    mutationFn: async (chosen: File) => {
      const file = await pictureOf(chosen)
      return data(
        api.POST('/api/nodes/{nodeId}/pictures', {
          params: { path: { nodeId }, query: { id: crypto.randomUUID(), title: chosen.name.replace(/\.[^.]*$/, '') } },
          ...asForm(file),
        }),
      )
    },
    onSuccess: async (picture) => {
      await changed(client, 'pictures')
      onAdded(picture)
    },
  })
  return (
    <>
      <FileButton
        text={t('pictures:add')}
        label={t('pictures:choose')}
        accept="image/png,image/jpeg,image/*"
        disabled={add.isPending}
        onFile={(file) => add.mutate(file)}
      />
      <Trouble error={add.error} />
    </>
  )
}
