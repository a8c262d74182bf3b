import { bands, type Cue } from '@glimmer/core/plan';
import type { Draft } from 'immer';
import { Hand, Moon, Sun, Trash2 } from 'lucide-react';
import { nanoid } from 'nanoid';
import { editDesign } from '../state/planStore.ts';
import { view } from '../state/viewStore.ts';
import { Button } from '../widgets/Button.tsx';
import { Choice, QuantityField } from '../widgets/fields.tsx';
import { useSheet } from './useSheet.ts';

/** The ways in which a cue can come, in this piece. */
function useOccasions(): { readonly value: string; readonly label: string; readonly when: Cue['when'] }[] {
  const { design } = useSheet();
  return [
    ...design.drive.controls.flatMap((control): { value: string; label: string; when: Cue['when'] }[] =>
      control.kind === 'button'
        ? [
            {
              value: `button ${control.id}`,
              label: `${control.name} is pressed`,
              when: { kind: 'button', controlId: control.id },
            },
          ]
        : [
            {
              value: `dark ${control.id}`,
              label: `${control.name} sees it get dark`,
              when: { kind: 'dark', controlId: control.id },
            },
            {
              value: `light ${control.id}`,
              label: `${control.name} sees it get light`,
              when: { kind: 'light', controlId: control.id },
            },
          ],
    ),
    { value: 'after', label: 'some time has passed', when: { kind: 'after', afterS: 30 } },
  ];
}

const occasionOf = (when: Cue['when']): string => (when.kind === 'after' ? 'after' : `${when.kind} ${when.controlId}`);

/** A number with its unit inside a sentence. */
function InSentence({ children }: { readonly children: React.ReactNode }) {
  return <span className="inline-block w-20 align-middle">{children}</span>;
}

function CueSentence({ cue, index }: { readonly cue: Cue; readonly index: number }) {
  const { design } = useSheet();
  const occasions = useOccasions();
  const moods = design.moods.list.map((mood) => ({ value: mood.id, label: mood.name }));
  const set = (recipe: (draft: Draft<Cue>) => void): void =>
    editDesign((draft) => {
      const found = draft.moods.cues[index];
      if (found) recipe(found);
    });
  const use = design.moods.cueUses.find((each) => each.cueId === cue.id);
  const setUse = (perHour: number): void =>
    editDesign((draft) => {
      draft.moods.cueUses = [
        ...draft.moods.cueUses.filter((each) => each.cueId !== cue.id),
        ...(perHour > 0 ? [{ cueId: cue.id, perHour }] : []),
      ];
    });
  const { when } = cue;
  const act = when.kind === 'after' ? null : () => view.act({ kind: when.kind, controlId: when.controlId });
  const Icon = when.kind === 'dark' ? Moon : when.kind === 'light' ? Sun : Hand;
  return (
    <li className="stitch flex items-start gap-2 py-1.5 leading-8 first:border-t-0">
      <p className="flex-1">
        In{' '}
        <Choice
          inline
          label="In which mood"
          value={cue.from ?? 'any'}
          options={[{ value: 'any', label: 'any mood' }, ...moods]}
          onChoose={(value) =>
            set((draft) => {
              draft.from = value === 'any' ? null : value;
            })
          }
        />
        , when{' '}
        <Choice
          inline
          label="When"
          value={occasionOf(when)}
          options={occasions}
          onChoose={(value) =>
            set((draft) => {
              const found = occasions.find((each) => each.value === value);
              if (found) draft.when = found.when;
            })
          }
        />
        {when.kind === 'after' && (
          <InSentence>
            <QuantityField
              hideLabel
              label="After"
              kind="timeS"
              value={when.afterS}
              band={bands.afterS}
              onCommit={(afterS) =>
                set((draft) => {
                  draft.when = { kind: 'after', afterS };
                })
              }
            />
          </InSentence>
        )}
        , go to{' '}
        <Choice
          inline
          label="Go to"
          value={cue.to}
          options={moods}
          onChoose={(value) =>
            set((draft) => {
              draft.to = value;
            })
          }
        />{' '}
        over{' '}
        <InSentence>
          <QuantityField
            hideLabel
            label="Fade"
            kind="timeS"
            value={cue.fadeS}
            band={bands.fadeS}
            onCommit={(value) =>
              set((draft) => {
                draft.fadeS = value;
              })
            }
          />
        </InSentence>
        ;{' '}
        {cue.backAfterS === null ? (
          <button
            type="button"
            className="border-b border-dashed border-ink font-semibold"
            onClick={() =>
              set((draft) => {
                draft.backAfterS = 4;
              })
            }
          >
            stay there
          </button>
        ) : (
          <>
            after{' '}
            <InSentence>
              <QuantityField
                hideLabel
                label="Back after"
                kind="timeS"
                value={cue.backAfterS}
                band={bands.afterS}
                onCommit={(value) =>
                  set((draft) => {
                    draft.backAfterS = value;
                  })
                }
                onClear={() =>
                  set((draft) => {
                    draft.backAfterS = null;
                  })
                }
              />
            </InSentence>{' '}
            go back; about{' '}
            <InSentence>
              <QuantityField
                hideLabel
                label="Times an hour"
                kind="count"
                value={use?.perHour ?? 0}
                band={bands.perHour}
                onCommit={setUse}
              />
            </InSentence>{' '}
            times an hour
          </>
        )}
        .
      </p>
      {act && (
        <Button onClick={act} title="Do it now on the picture">
          <Icon size={15} />
          Do it
        </Button>
      )}
      <Button
        look="quiet"
        aria-label={`Remove cue ${index + 1}`}
        onClick={() =>
          editDesign((draft) => {
            draft.moods.cues.splice(index, 1);
            draft.moods.cueUses = draft.moods.cueUses.filter((each) => each.cueId !== cue.id);
          })
        }
      >
        <Trash2 size={16} />
      </Button>
    </li>
  );
}

/** The cues, as sentences with choices in them. */
export function Cues() {
  const { design } = useSheet();
  return (
    <ul>
      {design.moods.cues.map((cue, i) => (
        <CueSentence key={cue.id} cue={cue} index={i} />
      ))}
      {design.moods.cues.length === 0 && (
        <li className="text-faint">
          {design.drive.controls.length === 0
            ? 'Add a button or a light sensor in Drive, then say here what it does. "Some time has passed" works without either.'
            : 'No cue yet: the first mood runs on and on.'}
        </li>
      )}
    </ul>
  );
}

/** Adds a cue between the first two moods, by the first occasion there is. */
export function addCue(): void {
  editDesign((draft) => {
    const [from, to] = draft.moods.list;
    if (!from) return;
    const control = draft.drive.controls[0];
    const when: Cue['when'] = control
      ? { kind: control.kind === 'button' ? 'button' : 'dark', controlId: control.id }
      : { kind: 'after', afterS: 30 };
    draft.moods.cues.push({
      id: nanoid(8),
      from: null,
      when,
      to: (to ?? from).id,
      fadeS: 0.5,
      backAfterS: to ? 5 : null,
    });
  });
}
