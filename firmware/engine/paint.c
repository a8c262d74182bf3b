#include "glimmer.h"

#include "tables.h"

static const uint8_t FLICKER_SLOTS_MASK = 255;

/* Colour channel times level, both perceptual, rounded. */
static uint8_t mix(uint8_t channel, uint8_t level) { return (uint8_t)(((uint32_t)channel * level + 127u) / 255u); }

static uint8_t to_light(uint8_t level, uint16_t brightness256) {
  return (uint8_t)(((uint32_t)UG_READ8(&ug_gamma[level]) * brightness256 + 128u) >> 8);
}

/* Where in its period a move stands, of 65,536. */
static uint32_t phase_of(uint32_t t_ms, uint32_t period_ms) {
  return (uint32_t)(((uint64_t)(t_ms % period_ms) * 65536u) / period_ms);
}

static uint32_t triangle(uint32_t phase) { return phase < 32768u ? phase * 2u : (65535u - phase) * 2u; }

static uint8_t wave_at(uint32_t phase) {
  uint16_t at = (uint16_t)(phase >> 8);
  uint16_t part = (uint16_t)(phase & 255u);
  return (uint8_t)(((uint32_t)UG_READ8(&ug_breath[at]) * (256u - part) + (uint32_t)UG_READ8(&ug_breath[at + 1]) * part) >>
                   8);
}

/* A byte of chance for a light and a slot: a 32-bit mix. */
static uint8_t chance_byte(uint16_t seed, uint32_t light, uint32_t slot) {
  uint32_t x = (uint32_t)seed ^ (light * 0x9e3779b1u) ^ (slot * 0x85ebca77u);
  x = (x ^ (x >> 15)) * 0x2c1b3c6du;
  x = (x ^ (x >> 12)) * 0x297a2d39u;
  return (uint8_t)((x ^ (x >> 15)) & 255u);
}

static uint8_t breath_level(const ug_move *move, uint32_t t_ms) {
  int32_t rise = ((int32_t)move->level - move->low) * (int32_t)wave_at(phase_of(t_ms, move->period_ms));
  return (uint8_t)(move->low + (rise + (rise < 0 ? -127 : 127)) / 255);
}

static uint16_t sweep_share(uint32_t phase, uint16_t point, uint16_t points, uint16_t tail) {
  int32_t head = (int32_t)(((uint64_t)triangle(phase) * (uint32_t)(points - 1u) * 256u) / 65535u);
  int32_t place = (int32_t)point * 256;
  int32_t ahead = phase < 32768u ? place - head : head - place;
  int32_t share = ahead >= 0 ? 256 - ahead : 256 - (-ahead) / ((int32_t)tail + 1);
  return (uint16_t)(share < 0 ? 0 : share);
}

static uint16_t fill_share(uint32_t phase, uint16_t point, uint16_t points) {
  int32_t full = (int32_t)(((uint64_t)triangle(phase) * points * 256u) / 65535u);
  int32_t share = full - (int32_t)point * 256;
  return (uint16_t)(share < 0 ? 0 : share > 256 ? 256 : share);
}

static uint16_t sparkle_share(const ug_move *move, uint32_t t_ms, uint16_t point) {
  uint32_t in_period = t_ms % move->period_ms;
  uint32_t part;
  if (chance_byte(move->seed, point, in_period / move->step_ms) >= move->share256) return 0;
  part = (uint32_t)(((uint64_t)(in_period % move->step_ms) * 512u) / move->step_ms);
  return (uint16_t)(part < 256u ? part : 512u - part);
}

static uint8_t flicker_level(const ug_move *move, uint32_t t_ms, uint16_t point) {
  uint32_t in_period = t_ms % move->period_ms;
  uint32_t slot = in_period / move->step_ms;
  uint32_t light = move->alike ? 0u : point;
  uint32_t now = chance_byte(move->seed, light, slot);
  uint32_t next, part, value;
  if (move->threshold > 0) return now < move->threshold ? move->low : move->level;
  next = chance_byte(move->seed, light, (slot + 1u) & FLICKER_SLOTS_MASK);
  part = (uint32_t)(((uint64_t)(in_period % move->step_ms) * 256u) / move->step_ms);
  value = (now * (256u - part) + next * part) >> 8;
  return (uint8_t)(move->low + (((int32_t)move->level - move->low) * (int32_t)value) / 255);
}

static uint8_t shot_level(const ug_move *move, uint32_t t_ms) {
  uint32_t in_period = t_ms % move->period_ms;
  uint32_t both = move->on_ms + move->off_ms;
  return in_period < move->count * both && in_period % both < move->on_ms ? move->level : 0;
}

/* The level of one light in a move that has one colour. */
static uint8_t level_of(const ug_move *move, uint32_t t_ms, uint16_t point, uint16_t points) {
  switch (move->kind) {
    case UG_BREATHE:
      return breath_level(move, t_ms);
    case UG_CHASE: {
      uint32_t step = (t_ms / move->step_ms) % move->groups;
      uint32_t lit = move->onward ? step : (move->groups - step) % move->groups;
      return point % move->groups == lit ? move->level : 0;
    }
    case UG_SWEEP:
      return (uint8_t)(((uint32_t)move->level * sweep_share(phase_of(t_ms, move->period_ms), point, points, move->tail)) >>
                       8);
    case UG_FILL:
      return (uint8_t)(((uint32_t)move->level * fill_share(phase_of(t_ms, move->period_ms), point, points)) >> 8);
    case UG_SPARKLE:
      return (uint8_t)(((uint32_t)move->level * sparkle_share(move, t_ms, point)) >> 8);
    case UG_FLICKER:
      return flicker_level(move, t_ms, point);
    case UG_SHOTS:
      return shot_level(move, t_ms);
    case UG_BUILD_UP: {
      int32_t t = (int32_t)(t_ms < move->period_ms ? t_ms : move->period_ms);
      return (uint8_t)(move->low + (((int32_t)move->level - move->low) * t) / (int32_t)move->period_ms);
    }
    default:
      return move->level;
  }
}

static void paint_point(uint8_t *at, uint8_t bytes, const uint8_t *rgb, uint8_t level, uint16_t brightness256) {
  uint8_t k;
  if (bytes == 1) {
    at[0] = to_light(level, brightness256);
    return;
  }
  for (k = 0; k < 3; k++) at[k] = to_light(mix(rgb[k], level), brightness256);
}

static void paint_drift(const ug_group *group, const ug_move *move, uint16_t brightness256, uint32_t t_ms, uint8_t *out) {
  uint32_t phase = phase_of(t_ms, move->period_ms);
  uint16_t i;
  for (i = 0; i < group->points; i++) {
    uint8_t wave = wave_at((phase + i * move->shift) & 65535u);
    uint8_t rgb[3];
    uint8_t k;
    for (k = 0; k < 3; k++)
      rgb[k] = (uint8_t)(((uint32_t)move->rgb[k] * (255u - wave) + (uint32_t)move->second[k] * wave + 127u) / 255u);
    /* A single light has one colour: the drift is its level. */
    paint_point(out + (uint32_t)i * group->bytes_per_point, group->bytes_per_point, rgb,
                group->bytes_per_point == 1 ? mix(move->level, wave) : move->level, brightness256);
  }
}

static void paint_move(const ug_group *group, const ug_move *move, uint16_t brightness256, uint32_t t_ms, uint8_t *out) {
  uint16_t i;
  uint32_t bytes = (uint32_t)group->points * group->bytes_per_point;
  if (move->kind == UG_DARK) {
    for (i = 0; i < bytes; i++) out[i] = 0;
    return;
  }
  if (move->kind == UG_DRIFT) {
    paint_drift(group, move, brightness256, t_ms, out);
    return;
  }
  for (i = 0; i < group->points; i++)
    paint_point(out + (uint32_t)i * group->bytes_per_point, group->bytes_per_point, move->rgb,
                level_of(move, t_ms, i, group->points), brightness256);
}

void ug_paint_frame(const ug_show *show, uint8_t mood, uint32_t t_ms, uint8_t *out) {
  uint8_t g;
  uint16_t i;
  if (mood >= show->mood_count) {
    for (i = 0; i < show->frame_bytes; i++) out[i] = 0;
    return;
  }
  for (g = 0; g < show->group_count; g++) {
    const ug_group *group = &show->groups[g];
    paint_move(group, &show->moves[(uint16_t)mood * show->group_count + g], show->brightness256[mood], t_ms,
               out + group->offset);
  }
}

void ug_cross_fade(const uint8_t *from, const uint8_t *to, uint16_t share256, uint8_t *out, uint16_t bytes) {
  uint16_t i;
  for (i = 0; i < bytes; i++)
    out[i] = (uint8_t)(((uint32_t)from[i] * (256u - share256) + (uint32_t)to[i] * share256 + 128u) >> 8);
}

uint16_t ug_limit_frame(const ug_show *show, uint8_t *frame) {
  uint64_t lit = 0, room;
  uint32_t scale;
  uint8_t g;
  uint16_t i;
  if (show->limit_microamps == 0) return 256;
  for (g = 0; g < show->group_count; g++) {
    const ug_group *group = &show->groups[g];
    uint32_t bytes = (uint32_t)group->points * group->bytes_per_point, sum = 0;
    for (i = 0; i < bytes; i++) sum += frame[group->offset + i];
    lit += (uint64_t)sum * group->microamps_per_byte;
  }
  if (show->rest_microamps >= show->limit_microamps) room = 0;
  else room = (uint64_t)(show->limit_microamps - show->rest_microamps) * 255u;
  if (lit <= room) return 256;
  scale = (uint32_t)((room * 256u) / lit);
  for (i = 0; i < show->frame_bytes; i++) frame[i] = (uint8_t)(((uint32_t)frame[i] * scale) >> 8);
  return (uint16_t)scale;
}
