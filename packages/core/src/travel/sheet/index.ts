export { TAG_FORMATS } from './tag-formats';
export type { TagFormat, TagFormatId } from './tag-formats';
