#include "say.h"

#include "show.h"

/* It looks once a second: what flickers is no news. */
#define LOOK_MS 1000u
#define WHOLE_PERCENT 100u
/* A reading that wavers is no news either. */
#define CHARGE_STEP 2u
#define NOT_YET 255u

/* Words that lie in flash: a small chip would copy them into its memory at the start. */
static const UG_FLASH char MARK[] = "plan " UG_FINGERPRINT;
static const UG_FLASH char MOOD[] = "mood ";
static const UG_FLASH char DARK[] = "mood none: dark";
static const UG_FLASH char HELD[] = "light held to ";
static const UG_FLASH char FREE[] = "light as the mood asks";
#if UG_CHARGE < 255
static const UG_FLASH char CHARGE[] = "charge ";
#endif

static uint8_t add(char *line, uint8_t at, const UG_FLASH char *words, uint8_t most) {
  while (*words && at < most) line[at++] = *words++;
  return at;
}

/* Words, and a percentage behind them; none where it is over a hundred. */
static void say_line(ug_say say, const UG_FLASH char *words, const UG_FLASH char *more, uint8_t percent) {
  char line[UG_LINE_BYTES];
  uint8_t at = add(line, 0, words, UG_LINE_BYTES - 6);
  if (more) at = add(line, at, more, UG_LINE_BYTES - 1);
  if (percent <= WHOLE_PERCENT) {
    if (percent >= 100) line[at++] = '1';
    if (percent >= 10) line[at++] = (char)('0' + percent / 10 % 10);
    line[at++] = (char)('0' + percent % 10);
    line[at++] = ' ';
    line[at++] = '%';
  }
  line[at] = 0;
  say(line);
}

void ug_begin_telling(ug_teller *teller, ug_say say) {
  teller->mood = UG_ANY;
  teller->held = WHOLE_PERCENT;
  teller->charge = NOT_YET;
  teller->least256 = 256;
  teller->since_ms = 0;
  say_line(say, MARK, 0, NOT_YET);
}

void ug_tell(const ug_player *player, uint32_t now_ms, uint16_t scale256, ug_teller *teller, ug_say say) {
  uint8_t percent;
  if (player->mood != teller->mood) {
    teller->mood = player->mood;
    if (player->mood < ug_plan.mood_count) say_line(say, MOOD, ug_mood_names[player->mood], NOT_YET);
    else say_line(say, DARK, 0, NOT_YET);
  }
  if (scale256 < teller->least256) teller->least256 = scale256;
  if (now_ms - teller->since_ms < LOOK_MS) return;
  teller->since_ms = now_ms;
  percent = (uint8_t)(((uint32_t)teller->least256 * WHOLE_PERCENT) >> 8);
  teller->least256 = 256;
  if (percent != teller->held) {
    teller->held = percent;
    if (percent == WHOLE_PERCENT) say_line(say, FREE, 0, NOT_YET);
    else say_line(say, HELD, 0, percent);
  }
#if UG_CHARGE < 255
  percent = (uint8_t)(((uint16_t)player->controls[UG_CHARGE].level * WHOLE_PERCENT + 127u) / 255u);
  if (teller->charge == NOT_YET || percent + CHARGE_STEP <= teller->charge || percent >= teller->charge + CHARGE_STEP) {
    teller->charge = percent;
    say_line(say, CHARGE, 0, percent);
  }
#endif
}
