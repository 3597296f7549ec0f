import { t } from '../words/t'
import { Button } from './Button'
import { dismiss, useNotice } from './notices'

export function NoticeBar() {
  const notice = useNotice()
  return (
    <div role="status" className="pointer-events-none fixed bottom-4 left-1/2 z-40 -translate-x-1/2">
      {notice && (
        <div className="pointer-events-auto flex items-center gap-4 border border-rule2 bg-sheet px-4 py-2 shadow-[0_4px_14px_rgba(0,0,0,0.18)]">
          <span>{notice.text}</span>
          {notice.undo && (
            <Button
              onClick={() => {
                notice.undo?.()
                dismiss()
              }}
            >
              {t('common:undo')}
            </Button>
          )}
        </div>
      )}
    </div>
  )
}
