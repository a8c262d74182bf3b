/* A board of text, for tests and as a simulated controller: it reads lines and answers each with one.
 *   frame T          the frame at T ms, in hexadecimal, and the mood
 *   press C T        the button on control C is pressed at T ms
 *   dark C T, light C T
 * It drives the engine straight, without the loop, so that a test says what the time is. */
#include <stdio.h>
#include <string.h>

#include "glimmer.h"
#include "show.h"

static uint8_t frame[UG_FRAME_BYTES + 1], scratch[UG_FRAME_BYTES + 1];

int main(void) {
  char line[128], word[16];
  unsigned control;
  unsigned long now;
  ug_player player;
  ug_start(&ug_plan, &player);
  printf("plan %s, %u bytes a frame\n", UG_FINGERPRINT, (unsigned)ug_plan.frame_bytes);
  while (fgets(line, sizeof line, stdin)) {
    if (sscanf(line, "frame %lu", &now) == 1) {
      uint16_t i;
      ug_pass_time(&ug_plan, &player, (uint32_t)now);
      ug_paint_now(&ug_plan, &player, (uint32_t)now, frame, scratch);
      for (i = 0; i < ug_plan.frame_bytes; i++) printf("%02x", frame[i]);
      printf(" %s\n", player.mood < ug_plan.mood_count ? ug_mood_names[player.mood] : "dark");
    } else if (sscanf(line, "%15s %u %lu", word, &control, &now) == 3) {
      uint8_t when = strcmp(word, "press") == 0 ? UG_BUTTON : strcmp(word, "dark") == 0 ? UG_GETS_DARK : UG_GETS_LIGHT;
      ug_event(&ug_plan, &player, when, (uint8_t)control, (uint32_t)now);
      printf("%s\n", player.mood < ug_plan.mood_count ? ug_mood_names[player.mood] : "dark");
    } else {
      printf("frame T, press C T, dark C T or light C T\n");
    }
  }
  return 0;
}
