export {
  type BelongingName,
  type BelongingOf,
  type Belongings,
  belongingNames,
  type DeskCard,
  isBelonging,
  joinBelongings,
} from './belongings.ts';
