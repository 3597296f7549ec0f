import { type UseQueryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { changed } from '../api/subjects'
import type { PaperLine } from '../api/types'
import { FileButton } from '../parts/FileButton'
import { say } from '../parts/notices'
import { Trouble } from '../parts/Trouble'
import { day } from '../units/format'
import { t } from '../words/t'

interface Props {
  // The key's own type is of no matter here.
  query: UseQueryOptions<PaperLine[], Error, PaperLine[], string[]>
  keep: ((file: File) => Promise<PaperLine[]>) | undefined
}

/** Certificates of a calibration, as files. */
export function Papers({ query, keep }: Props) {
  const client = useQueryClient()
  const papers = useQuery(query)
  const keeping = useMutation({
    mutationFn: async (file: File) => keep?.(file),
    onSuccess: () => {
      say(t('instruments:calibration.kept'))
      void changed(client, 'calibration')
    },
  })
  return (
    <section className="mt-2">
      <h3 className="font-semibold">{t('instruments:calibration.papers')}</h3>
      <Trouble error={papers.error ?? keeping.error} />
      {papers.data?.length === 0 && <p className="text-ink2">{t('instruments:calibration.noPapers')}</p>}
      <ul>
        {papers.data?.map((paper) => (
          <li key={paper.id}>
            <a className="font-semibold text-plum hover:underline" href={`/api/papers/${paper.id}/file`}>
              {paper.fileName}
            </a>{' '}
            <span className="text-ink2">
              {day(paper.keptAt)}, {paper.keptBy}
            </span>
          </li>
        ))}
      </ul>
      {keep && (
        <FileButton
          text={t('instruments:calibration.keep')}
          label={t('instruments:calibration.file')}
          accept=".pdf,.png,.jpg,.jpeg"
          disabled={keeping.isPending}
          onFile={(file) => keeping.mutate(file)}
        />
      )}
    </section>
  )
}
