/** A file as a form sends it: to be spread into a request's options. */
export const asForm = (file: File) => ({
  body: { file: file as unknown as string },
  bodySerializer: () => {
    const form = new FormData()
    form.set('file', file)
    return form
  },
})

/** A file with something said about it, as JSON beside it. */
export const asFormWith = <T>(file: File, draft: T) => ({
  body: { file: file as unknown as string, draft },
  bodySerializer: () => {
    const form = new FormData()
    form.set('draft', new Blob([JSON.stringify(draft)], { type: 'application/json' }))
    form.set('file', file)
    return form
  },
})
