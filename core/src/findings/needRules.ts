import type { Need } from '../assess.ts';
import { type Finding, named } from '../items/index.ts';
import type { Rule } from './finding.ts';

/** What has a finding of its own, which says more. */
const toldElsewhere: ReadonlySet<Need['what']> = new Set(['part', 'place', 'wiring']);

/** What has to be decided before the figures are whole: each thing once, where it is decided. */
export const needRule: Rule = ({ assessment }) =>
  assessment.needs
    .filter((need) => need.for === 'current' && need.itemId !== null && !toldElsewhere.has(need.what))
    .map(
      (need): Finding => ({
        ...named('needs', need.id),
        gravity: 'mend',
        stage: need.what === 'feed' ? 'power' : 'drive',
        aboutId: need.itemId,
        what: `Not decided: it needs ${need.words}`,
        why: 'Until then neither current nor running time can be told.',
        mend:
          need.what === 'feed'
            ? 'Add a pack or an outside supply in Power.'
            : 'Add a controller in Drive, or say that it is switched by hand.',
        fixes: [],
      }),
    );
