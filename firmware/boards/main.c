/* The loop of every board: look at the controls, let time pass, paint, send. */
#include "board.h"
#include "glimmer.h"
#include "show.h"

static uint8_t frame[UG_FRAME_BYTES + 1], scratch[UG_FRAME_BYTES + 1];

#if UG_CONTROLS > 0
/* A press counts when it was seen three times in a row, so that a bouncing contact is one press. */
static uint8_t seen[UG_CONTROLS];
static uint8_t dark[UG_CONTROLS];

static void look(ug_player *player, uint32_t now_ms) {
  uint8_t i;
  for (i = 0; i < UG_CONTROLS; i++) {
    if (ug_controls[i].is_button) {
      if (!board_pressed(i)) seen[i] = 0;
      else if (seen[i] < 3 && ++seen[i] == 3) ug_event(&ug_plan, player, UG_BUTTON, i, now_ms);
    } else {
      uint16_t code = board_level(i);
      if (!dark[i] && code < ug_controls[i].dark_below) {
        dark[i] = 1;
        ug_event(&ug_plan, player, UG_GETS_DARK, i, now_ms);
      } else if (dark[i] && code > ug_controls[i].light_above) {
        dark[i] = 0;
        ug_event(&ug_plan, player, UG_GETS_LIGHT, i, now_ms);
      }
    }
  }
}
#else
static void look(const ug_player *player, uint32_t now_ms) {
  (void)player;
  (void)now_ms;
}
#endif

static void send(void) {
  uint8_t g, channel = 0, i;
  for (g = 0; g < ug_plan.group_count; g++) {
    const ug_group *group = &ug_plan.groups[g];
    if (group->bytes_per_point == 1)
      for (i = 0; i < group->points; i++) board_dim(channel++, frame[group->offset + i]);
  }
#if UG_LINES > 0
  for (i = 0; i < UG_LINES; i++) board_pixels(i, frame + ug_lines[i].offset, ug_lines[i].bytes);
#endif
}

int main(void) {
  ug_player player;
  uint8_t mood = UG_ANY;
  board_begin();
  board_say("plan " UG_FINGERPRINT);
  ug_start(&ug_plan, &player);
  for (;;) {
    uint32_t now_ms = board_now_ms();
    look(&player, now_ms);
    ug_pass_time(&ug_plan, &player, now_ms);
    ug_paint_now(&ug_plan, &player, now_ms, frame, scratch);
    send();
    if (player.mood != mood) {
      mood = player.mood;
      board_say(mood < ug_plan.mood_count ? ug_mood_names[mood] : "dark");
    }
    board_wait_frame();
  }
}
