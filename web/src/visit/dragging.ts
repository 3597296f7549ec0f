/** What a loose reading is called while it is dragged from the tray to a stop. */
export const DRAGGED_READING = 'application/x-reading'
