#ifndef SAY_H
#define SAY_H

#include "glimmer.h"

/* What was said last, and what has been seen since. */
typedef struct {
  uint8_t mood, held, charge;
  uint16_t least256;
  uint32_t since_ms;
} ug_teller;

/* Takes a line of text. */
typedef void (*ug_say)(const char *text);

/* Begins: the mark of the plan is said. */
UG_APART void ug_begin_telling(ug_teller *teller, ug_say say);

/* What the program says for itself after a frame: each mood it goes to, and once a second what the limiter held back at most
 * and the charge of the pack, where either is another than was said last.
 * `scale256` is what `ug_paint_now` gave. */
UG_APART void ug_tell(const ug_player *player, uint32_t now_ms, uint16_t scale256, ug_teller *teller, ug_say say);

#endif
