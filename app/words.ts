import { words as bringIn } from './bring-in/words'
import { words as item } from './item/words'
import { words as parts } from './parts/words'
import { words as queue } from './queue/words'
import { words as sentence } from './sentence/words'
import { words as shell } from './shell/words'
import { words as viewLayouts } from './view-layouts/words'

/** The words of the interface, folder by folder; those of a project's acts come later (`shell/project-words.ts`). Sentences for problems stand in `core/access/problem-words.ts`. */
export const words = {
  name: 'Wrenleaf',
  ...shell,
  ...sentence,
  ...viewLayouts,
  ...item,
  ...queue,
  ...bringIn,
  ...parts,
} as const
