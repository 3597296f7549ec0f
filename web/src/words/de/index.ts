import type { Wording } from '../i18n'
import { whole } from '../whole'

/** All wording in German. */
export default whole(import.meta.glob('./*.json', { eager: true, import: 'default' })) as Wording
