#include "glimmer.h"

void ug_start(const UG_FLASH ug_show *show, ug_player *player, ug_control_state *controls) {
  static const ug_control_state at_rest;
  static const ug_player begun;
  uint8_t i;
  *player = begun;
  player->controls = controls;
  player->mood = show->start;
  for (i = 0; i < show->control_count; i++) {
    controls[i] = at_rest;
    controls[i].level = show->controls[i].is_sensor ? 255 : 0;
  }
}

/* Where to go, and how. */
typedef struct {
  uint8_t to;
  uint8_t keeps_look;
  uint32_t fade_ms;
} way;

static void enter(const UG_FLASH ug_show *show, ug_player *player, const way *where, uint32_t now_ms) {
  uint32_t out_ms = player->mood < show->mood_count ? show->moods[player->mood].fade_out_ms : UG_NEVER;
  uint32_t in_ms = where->to < show->mood_count ? show->moods[where->to].fade_in_ms : UG_NEVER;
  if (out_ms == UG_NEVER) out_ms = where->fade_ms;
  if (in_ms == UG_NEVER) in_ms = where->fade_ms;
  player->fading = player->mood != UG_ANY && (out_ms > 0 || in_ms > 0);
  player->fade_from = player->mood;
  player->fade_from_since_ms = player->since_ms;
  player->fade_out_ms = out_ms;
  player->fade_in_ms = in_ms;
  player->fade_keeps_look = where->keeps_look;
  player->mood = where->to;
  player->since_ms = now_ms;
  player->entries++;
}

static void follow(const UG_FLASH ug_show *show, ug_player *player, const UG_FLASH ug_cue *cue, uint32_t now_ms) {
  uint8_t home = player->goes_back ? player->back_to : player->mood;
  way where;
  where.to = cue->to;
  where.keeps_look = cue->keeps_look;
  where.fade_ms = cue->fade_ms;
  player->goes_back = home != UG_ANY && (cue->back_after_ms != UG_NEVER || cue->when == UG_WHILE);
  player->back_to = home;
  player->back_keeps_look = cue->keeps_look;
  player->back_fade_ms = cue->fade_ms;
  player->back_at_ms = cue->back_after_ms == UG_NEVER ? UG_NEVER : now_ms + cue->back_after_ms;
  player->back_control = cue->when == UG_WHILE ? cue->control : UG_NO_CONTROL;
  enter(show, player, &where, now_ms);
}

static void go_back(const UG_FLASH ug_show *show, ug_player *player, uint32_t now_ms) {
  way where;
  where.to = player->back_to;
  where.keeps_look = player->back_keeps_look;
  where.fade_ms = player->back_fade_ms;
  player->goes_back = 0;
  enter(show, player, &where, now_ms);
}

static uint8_t applies(const UG_FLASH ug_cue *cue, const ug_player *player) {
  return (cue->from == UG_ANY || cue->from == player->mood) && cue->to != player->mood;
}

/* Follows the first cue that fits what has happened to a control: of one kind, or of either of two. */
static void happen(const UG_FLASH ug_show *show, ug_player *player, uint8_t when, uint8_t or_when, uint8_t control,
                   uint32_t now_ms) {
  uint8_t i;
  for (i = 0; i < show->cue_count; i++) {
    const UG_FLASH ug_cue *cue = &show->cues[i];
    if ((cue->when != when && cue->when != or_when) || cue->control != control || !applies(cue, player)) continue;
    follow(show, player, cue, now_ms);
    return;
  }
}

static void close(const UG_FLASH ug_show *show, ug_player *player, uint8_t control, uint32_t now_ms) {
  ug_control_state *state = &player->controls[control];
  uint8_t is_double = show->controls[control].has_double && state->tapped && now_ms - state->tapped_at_ms <= UG_DOUBLE_MS;
  state->on = 1;
  state->on_since_ms = now_ms;
  state->level = 255;
  state->held_ms = 0;
  state->spent = is_double;
  state->tapped = 0;
  if (is_double) happen(show, player, UG_DOUBLE, UG_DOUBLE, control, now_ms);
  else happen(show, player, UG_WHILE, show->controls[control].waits ? UG_WHILE : UG_BUTTON, control, now_ms);
}

static void open(const UG_FLASH ug_show *show, ug_player *player, uint8_t control, uint32_t now_ms) {
  ug_control_state *state = &player->controls[control];
  uint8_t is_tap = show->controls[control].waits && !state->spent;
  state->on = 0;
  state->level = 0;
  state->tapped = is_tap && show->controls[control].has_double;
  state->tapped_at_ms = now_ms;
  if (player->goes_back && player->back_control == control) go_back(show, player, now_ms);
  if (is_tap && !show->controls[control].has_double) happen(show, player, UG_BUTTON, UG_BUTTON, control, now_ms);
  happen(show, player, UG_OPENED, UG_OPENED, control, now_ms);
}

void ug_touch(const UG_FLASH ug_show *show, ug_player *player, uint8_t control, uint8_t on, uint32_t now_ms) {
  if (control >= show->control_count || player->controls[control].on == on) return;
  if (on) close(show, player, control, now_ms);
  else open(show, player, control, now_ms);
}

/* What a code comes to between its two ends, 0 to 255. */
static uint8_t level_of_code(const UG_FLASH ug_control *control, uint16_t code) {
  int32_t span = (int32_t)control->full_code - control->empty_code;
  int32_t level;
  if (span == 0) return 255;
  level = (((int32_t)code - control->empty_code) * 255) / span;
  return (uint8_t)(level < 0 ? 0 : level > 255 ? 255 : level);
}

/* A reading this near to the last is noise: what shows the value would else tremble between two steps. */
static uint8_t settle(uint8_t shown, uint8_t read) {
  uint8_t apart = (uint8_t)(read > shown ? read - shown : shown - read);
  return apart < 4u && read != 0 && read != 255 ? shown : read;
}

void ug_sense(const UG_FLASH ug_show *show, ug_player *player, uint8_t control, uint16_t code, uint32_t now_ms) {
  const UG_FLASH ug_control *known;
  ug_control_state *state;
  uint8_t beyond;
  if (control >= show->control_count || !show->controls[control].is_sensor) return;
  known = &show->controls[control];
  state = &player->controls[control];
  state->level = settle(state->level, level_of_code(known, code));
  beyond = state->on ? code > known->off_above : code < known->on_below;
  if (!beyond) {
    state->crossing = 0;
    return;
  }
  if (!state->crossing) {
    state->crossing = 1;
    state->crossing_since_ms = now_ms;
  }
  if (now_ms - state->crossing_since_ms < known->settle_ms) return;
  state->crossing = 0;
  state->on = !state->on;
  state->on_since_ms = now_ms;
  if (state->on) happen(show, player, UG_DARK, UG_LOW, control, now_ms);
  else happen(show, player, UG_LIGHT, UG_LIGHT, control, now_ms);
}

/* How long after its mood began a cue by itself is due: at random, drawn anew for each mood that begins. */
static uint32_t wait_of(const UG_FLASH ug_show *show, const ug_player *player, const UG_FLASH ug_cue *cue,
                        uint8_t number) {
  uint16_t entries = player->entries;
  uint32_t chance;
  if (cue->when == UG_THROUGH) return player->mood < show->mood_count ? show->moods[player->mood].through_ms : 0;
  if (!UG_USES_RANDOM || cue->span_ms == 0) return cue->wait_ms;
  chance = (uint32_t)ug_chance(entries, number, 1) * 256u + ug_chance(entries, number, 2);
  return cue->wait_ms + (uint32_t)(((uint64_t)cue->span_ms * chance) / 65535u);
}

/* Presses that have waited long enough, and holds that have become long enough. */
static void pass_control(const UG_FLASH ug_show *show, ug_player *player, uint8_t control, uint32_t now_ms) {
  ug_control_state *state = &player->controls[control];
  uint32_t held_ms;
  uint8_t i;
  if (show->controls[control].is_sensor) return;
  if (state->tapped && now_ms - state->tapped_at_ms > UG_DOUBLE_MS) {
    state->tapped = 0;
    happen(show, player, UG_BUTTON, UG_BUTTON, control, now_ms);
    return;
  }
  if (!state->on || !show->controls[control].waits) return;
  held_ms = now_ms - state->on_since_ms;
  for (i = 0; i < show->cue_count; i++) {
    const UG_FLASH ug_cue *cue = &show->cues[i];
    if (cue->when != UG_HELD || cue->control != control || cue->wait_ms <= state->held_ms || cue->wait_ms > held_ms ||
        !applies(cue, player))
      continue;
    state->held_ms = cue->wait_ms;
    state->spent = 1;
    follow(show, player, cue, now_ms);
    return;
  }
}

void ug_pass_time(const UG_FLASH ug_show *show, ug_player *player, uint32_t now_ms) {
  uint8_t i;
  if (UG_USES_HELD)
    for (i = 0; i < show->control_count; i++) pass_control(show, player, i, now_ms);
  if (UG_USES_CUES && player->goes_back && player->back_at_ms != UG_NEVER && now_ms >= player->back_at_ms) {
    go_back(show, player, player->back_at_ms);
    return;
  }
  for (i = 0; UG_USES_CUES && i < show->cue_count; i++) {
    const UG_FLASH ug_cue *cue = &show->cues[i];
    uint32_t wait_ms;
    if ((cue->when != UG_AFTER && cue->when != UG_RANDOM && cue->when != UG_THROUGH) || !applies(cue, player)) continue;
    wait_ms = wait_of(show, player, cue, i);
    if (now_ms - player->since_ms < wait_ms) continue;
    follow(show, player, cue, player->since_ms + wait_ms);
    return;
  }
  if (UG_USES_FADES && player->fading && now_ms - player->since_ms >= player->fade_out_ms &&
      now_ms - player->since_ms >= player->fade_in_ms)
    player->fading = 0;
}

static uint16_t share_of(uint32_t t_ms, uint32_t length_ms) {
  return (uint16_t)(t_ms >= length_ms ? 256u : (t_ms * 256u) / length_ms);
}

uint16_t ug_paint_now(const UG_FLASH ug_show *show, const ug_player *player, uint32_t now_ms, uint8_t *out,
                  uint8_t *scratch) {
  uint32_t t_ms = now_ms - player->since_ms;
  uint16_t i;
  uint8_t s;
  ug_paint_frame(show, player->mood, t_ms, player->controls, out);
  if (UG_USES_FADES && player->fading) {
    uint16_t out256 = (uint16_t)(256u - share_of(t_ms, player->fade_out_ms));
    uint16_t in256 = share_of(t_ms, player->fade_in_ms);
    /* What comes in takes no more than what goes out has left. */
    if (in256 > 256u - out256) in256 = (uint16_t)(256u - out256);
    ug_paint_frame(show, player->fade_from, now_ms - player->fade_from_since_ms, player->controls, scratch);
    ug_cross_fade(scratch, out, out256, in256, player->fade_keeps_look, out, show->frame_bytes);
  }
  for (s = 0; UG_USES_DIMMING && s < show->control_count; s++)
    if (show->controls[s].dims) ug_dim_frame(show, player->controls[s].level, out);
  for (s = 0; UG_USES_SIGNS && s < show->sign_count; s++) {
    const UG_FLASH ug_sign *sign = &show->signs[s];
    if (sign->control >= show->control_count || !player->controls[sign->control].on) continue;
    ug_paint_layers(show, sign->first_layer, sign->layer_count, now_ms - player->controls[sign->control].on_since_ms,
                    player->controls, out);
  }
  /* Light comes up at power-on, so that a weak pack is not asked for all at once. */
  if (now_ms < UG_START_MS)
    for (i = 0; i < show->frame_bytes; i++) out[i] = (uint8_t)(((uint32_t)out[i] * now_ms) >> 9);
  if (UG_USES_SWITCHES) ug_switch_frame(show, out);
  return ug_limit_frame(show, out);
}
