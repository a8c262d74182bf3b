/* In place of main.c, to see in which order a tape takes its colours: red, green, blue and, where there is one, the white
 * die, a second each, again and again, at a sixth, on the first two pixels of each line, of which one may be a spare. */
#include "board.h"
#include "glimmer.h"
#include "show.h"

static uint8_t frame[UG_FRAME_BYTES + 6];

int main(void) {
  uint8_t line, i;
  board_begin();
  board_say("colours of plan " UG_FINGERPRINT);
  for (;;) {
    uint8_t colour = (uint8_t)(board_now_ms() / 1000u % 4u);
    for (line = 0; line < UG_LINES; line++) {
      uint8_t *bytes = frame + ug_lines[line].offset;
      for (i = 0; i < 6; i++) bytes[i] = colour == i % 3u || (colour == 3 && ug_lines[line].own_white) ? 40 : 0;
      board_pixels(line, &ug_lines[line], bytes);
    }
    board_wait_frame();
  }
}
