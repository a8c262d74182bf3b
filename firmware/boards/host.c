/* A board of text, for tests and as a simulated controller: it reads lines and answers each with one.
 *   frame T          the frame at T ms, in hexadecimal, and the mood
 *   close C T        the contact on control C closes at T ms (a press, a switch put on, a tilt)
 *   open C T         it opens
 *   code C X T       the sensor on control C reads the code X
 *   loop T           a turn of the loop at T ms: what a board would say then, its lines with a bar between
 * It drives the engine straight, without the loop, so that a test says what the time is. */
#include <stdio.h>
#include <string.h>

#include "glimmer.h"
#include "say.h"
#include "show.h"

static uint8_t frame[UG_FRAME_BYTES + 1], scratch[UG_FRAME_BYTES + 1];
static ug_control_state states[UG_CONTROLS + 1];

static int said;

/* One line of what a board says, on the one line that answers. */
static void say(const char *text) { printf("%s%s", said++ ? " | " : "", text); }

static const char *name_of(uint8_t mood) { return mood < ug_plan.mood_count ? ug_mood_names[mood] : "dark"; }

int main(void) {
  char line[128], word[16];
  unsigned control, code;
  unsigned long now;
  ug_player player;
  ug_teller teller;
  int tells = 0;
  ug_start(&ug_plan, &player, states);
  printf("plan %s, %u bytes a frame\n", UG_FINGERPRINT, (unsigned)ug_plan.frame_bytes);
  while (fgets(line, sizeof line, stdin)) {
    if (sscanf(line, "frame %lu", &now) == 1) {
      uint16_t i;
      ug_pass_time(&ug_plan, &player, (uint32_t)now);
      ug_paint_now(&ug_plan, &player, (uint32_t)now, frame, scratch);
      for (i = 0; i < ug_plan.frame_bytes; i++) printf("%02x", frame[i]);
      printf(" %s\n", name_of(player.mood));
    } else if (sscanf(line, "loop %lu", &now) == 1) {
      said = 0;
      if (!tells++) ug_begin_telling(&teller, say);
      ug_pass_time(&ug_plan, &player, (uint32_t)now);
      ug_tell(&player, (uint32_t)now, ug_paint_now(&ug_plan, &player, (uint32_t)now, frame, scratch), &teller, say);
      printf("\n");
    } else if (sscanf(line, "code %u %u %lu", &control, &code, &now) == 3) {
      ug_sense(&ug_plan, &player, (uint8_t)control, (uint16_t)code, (uint32_t)now);
      printf("%s\n", name_of(player.mood));
    } else if (sscanf(line, "%15s %u %lu", word, &control, &now) == 3 && (!strcmp(word, "close") || !strcmp(word, "open"))) {
      ug_touch(&ug_plan, &player, (uint8_t)control, word[0] == 'c', (uint32_t)now);
      printf("%s\n", name_of(player.mood));
    } else {
      printf("frame T, loop T, close C T, open C T or code C X T\n");
    }
    fflush(stdout);
  }
  return 0;
}
