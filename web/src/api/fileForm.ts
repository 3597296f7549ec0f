/** A file as a form sends it: to be spread into a request's options. */
export const asForm = (file: File) => ({
  body: { file: file as unknown as string },
  bodySerializer: () => {
    const form = new FormData()
    form.set('file', file)
    return form
  },
})
