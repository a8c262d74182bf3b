/* The loop of every board: look at the controls, let time pass, paint, send. */
#include "board.h"
#include "glimmer.h"
#include "say.h"
#include "show.h"

static uint8_t frame[UG_FRAME_BYTES + 1], scratch[UG_FRAME_BYTES + 1];
static ug_control_state states[UG_CONTROLS + 1];

#if UG_CONTROLS > 0
/* A contact counts when it was seen three times in a row, so that one that bounces is one press. */
#define UG_SEEN 3
static uint8_t seen[UG_CONTROLS];

static void look(ug_player *player, uint32_t now_ms) {
  uint8_t i;
  for (i = 0; i < UG_CONTROLS; i++) {
    if (UG_USES_SENSORS && ug_plan.controls[i].is_sensor) {
      ug_sense(&ug_plan, player, i, board_level(i), now_ms);
    } else if (!UG_USES_CONTACTS) {
      continue;
    } else if ((board_low(i) ^ ug_plan.controls[i].reads_high) == states[i].on) {
      seen[i] = 0;
    } else if (++seen[i] == UG_SEEN) {
      seen[i] = 0;
      ug_touch(&ug_plan, player, i, !states[i].on, now_ms);
    }
  }
}
#else
static void look(const ug_player *player, uint32_t now_ms) {
  (void)player;
  (void)now_ms;
}
#endif

#if UG_CHANNELS > 0
static uint8_t light_of(const UG_FLASH ug_channel *channel) {
  const uint8_t *rgb = frame + channel->at;
  uint8_t white;
  if (channel->at == UG_NOWHERE) return 0;
  if (channel->die == UG_WHOLE) return *rgb;
  white = ug_white(rgb);
  return channel->die == 3 ? white : (uint8_t)(rgb[channel->die] - white);
}
#endif

#if UG_LED_BY_PULSES > 0
static const UG_FLASH uint16_t pulses[][2] = UG_CHANNEL_PULSES;

static void show_channel(uint8_t channel, uint8_t light) {
  uint16_t us = pulses[channel][light > 0];
  if (us > 0) board_pulse(channel, us);
  else board_dim(channel, light);
}
#else
#define show_channel board_dim
#endif

static void send(void) {
  uint8_t i;
#if UG_CHANNELS > 0
  for (i = 0; i < UG_CHANNELS; i++) show_channel(i, light_of(&ug_channels[i]));
#endif
#if UG_LINES > 0
  for (i = 0; i < UG_LINES; i++) board_pixels(i, &ug_lines[i], frame + ug_lines[i].offset);
#endif
#if UG_GRID_LIGHTS > 0
  board_grid(frame + UG_GRID_AT);
#endif
#if UG_TOLD > 0
  for (i = 0; i < UG_TOLD; i++) board_tell(i, frame + ug_told_lights[i].offset, ug_told_lights[i].lights);
#endif
#if UG_CHANNELS == 0 && UG_LINES == 0 && UG_TOLD == 0
  (void)i;
#endif
}

int main(void) {
  ug_player player;
#if UG_SAYS
  ug_teller teller;
#endif
  board_begin();
#if UG_SAYS
  ug_begin_telling(&teller, board_say);
#endif
  ug_start(&ug_plan, &player, states);
  for (;;) {
    uint32_t now_ms = board_now_ms();
    uint16_t scale256;
    look(&player, now_ms);
    ug_pass_time(&ug_plan, &player, now_ms);
    scale256 = ug_paint_now(&ug_plan, &player, now_ms, frame, scratch);
    send();
#if UG_SAYS
    ug_tell(&player, now_ms, scale256, &teller, board_say);
#else
    (void)scale256;
#endif
    board_wait_frame();
  }
}
