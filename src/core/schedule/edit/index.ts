/** The edits that change a boat: what they are, and how they are applied and undone. */
export { applyEdits } from './applyEdits';
export { editSchema, editsSchema, type Edit } from './editSchema';
