import { useState } from 'react'
import { Button } from '../parts/Button'
import { FileButton } from '../parts/FileButton'
import { pictureOf } from '../parts/pictureFile'
import { Trouble } from '../parts/Trouble'
import { t } from '../words/t'

async function base64(file: File): Promise<string> {
  const address = await new Promise<string>((done, failed) => {
    const reader = new FileReader()
    reader.onload = () => done(String(reader.result))
    reader.onerror = () => failed(new Error(t('pictures:notRead')))
    reader.readAsDataURL(file)
  })
  return address.slice(address.indexOf(',') + 1)
}

/** Photos that go with one reading. */
export function HandPhotos({
  label,
  photos,
  onChange,
}: {
  label: string
  photos: string[]
  onChange: (photos: string[]) => void
}) {
  const [error, setError] = useState<Error | null>(null)
  const add = (chosen: File) => {
    setError(null)
    pictureOf(chosen)
      .then(base64)
      .then((photo) => onChange([...photos, photo]))
      .catch(setError)
  }
  return (
    <>
      {photos.length > 0 && (
        <span className="text-ink2">
          {t('byHand:photos', { n: photos.length })}{' '}
          <Button onClick={() => onChange([])}>{t('byHand:dropPhotos')}</Button>
        </span>
      )}
      <FileButton
        text={t('byHand:photo')}
        label={label}
        accept="image/png,image/jpeg,image/*"
        disabled={photos.length >= 5}
        onFile={add}
      />
      <Trouble error={error} />
    </>
  )
}
