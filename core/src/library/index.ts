export { itemFrom, type Keepable, taught } from './from-bag.ts';
export { seenVersion, withItem, withLessons } from './into-bag.ts';
export {
  itemName,
  type KeptItem,
  keptItemSchema,
  type LibraryItem,
  libraryItemSchema,
  MOST_ITEMS,
} from './item.ts';
export { type Lesson, lessonsFor } from './lessons.ts';
