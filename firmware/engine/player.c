#include "glimmer.h"

void ug_start(const ug_show *show, ug_player *player) {
  player->mood = show->start;
  player->since_ms = 0;
  player->fading = 0;
  player->fade_from = UG_ANY;
  player->fade_from_since_ms = 0;
  player->fade_ms = 0;
  player->goes_back = 0;
  player->back_to = UG_ANY;
  player->back_at_ms = 0;
  player->back_fade_ms = 0;
}

static void enter(ug_player *player, uint8_t to, uint32_t now_ms, uint32_t fade_ms, uint32_t back_after_ms) {
  uint8_t home = player->goes_back ? player->back_to : player->mood;
  player->fading = player->mood != UG_ANY && fade_ms > 0;
  player->fade_from = player->mood;
  player->fade_from_since_ms = player->since_ms;
  player->fade_ms = fade_ms;
  player->goes_back = back_after_ms != UG_NEVER && home != UG_ANY;
  player->back_to = home;
  player->back_at_ms = now_ms + (player->goes_back ? back_after_ms : 0);
  player->back_fade_ms = fade_ms;
  player->mood = to;
  player->since_ms = now_ms;
}

static void follow(ug_player *player, const ug_cue *cue, uint32_t now_ms) {
  enter(player, cue->to, now_ms, cue->fade_ms, cue->back_after_ms);
}

static uint8_t applies(const ug_cue *cue, const ug_player *player) {
  return (cue->from == UG_ANY || cue->from == player->mood) && cue->to != player->mood;
}

void ug_event(const ug_show *show, ug_player *player, uint8_t when, uint8_t control, uint32_t now_ms) {
  uint8_t i;
  for (i = 0; i < show->cue_count; i++) {
    const ug_cue *cue = &show->cues[i];
    if (!applies(cue, player) || cue->when != when || cue->control != control) continue;
    follow(player, cue, now_ms);
    return;
  }
}

void ug_pass_time(const ug_show *show, ug_player *player, uint32_t now_ms) {
  uint8_t i;
  if (player->goes_back && now_ms >= player->back_at_ms) {
    uint8_t to = player->back_to;
    uint32_t at = player->back_at_ms, fade = player->back_fade_ms;
    player->goes_back = 0;
    enter(player, to, at, fade, UG_NEVER);
    return;
  }
  for (i = 0; i < show->cue_count; i++) {
    const ug_cue *cue = &show->cues[i];
    if (cue->when != UG_AFTER || !applies(cue, player) || now_ms - player->since_ms < cue->after_ms) continue;
    follow(player, cue, player->since_ms + cue->after_ms);
    return;
  }
  if (player->fading && now_ms - player->since_ms >= player->fade_ms) player->fading = 0;
}

void ug_paint_now(const ug_show *show, const ug_player *player, uint32_t now_ms, uint8_t *out, uint8_t *scratch) {
  ug_paint_frame(show, player->mood, now_ms - player->since_ms, out);
  if (player->fading) {
    uint64_t share = ((uint64_t)(now_ms - player->since_ms) * 256u) / player->fade_ms;
    ug_paint_frame(show, player->fade_from, now_ms - player->fade_from_since_ms, scratch);
    ug_cross_fade(scratch, out, (uint16_t)(share > 256u ? 256u : share), out, show->frame_bytes);
  }
  ug_limit_frame(show, out);
}
