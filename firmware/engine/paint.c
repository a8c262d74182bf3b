#include "levels.h"
#include "tables.h"

/* Colour channel times level, both perceptual, rounded. */
static uint8_t mix(uint8_t channel, uint8_t level) {
  return ug_by255((uint16_t)((uint16_t)channel * level + 127u));
}

static uint8_t between(uint8_t from, uint8_t to, uint8_t part) {
  return ug_by255((uint16_t)((uint16_t)from * (uint16_t)(255u - part) + (uint16_t)to * part + 127u));
}

/* Lays light upon what is there. Over: as much of the lower is covered as the upper's level says. */
static void lay(uint8_t *at, uint8_t light, uint8_t how, uint8_t level) {
  if (how == UG_OVER) {
    *at = *at == 0 ? light : (uint8_t)(light + ug_by255((uint16_t)((uint16_t)*at * (uint16_t)(255u - level) + 127u)));
  } else if (how == UG_ADD) {
    uint16_t sum = (uint16_t)(*at + light);
    *at = (uint8_t)(sum > 255u ? 255u : sum);
  } else if (light > *at) {
    *at = light;
  }
}

static uint32_t place256(const UG_FLASH ug_layer *layer, uint16_t point) {
  return UG_USES_PLACES && layer->places ? (uint32_t)layer->places[point] * (256u / UG_PLACE_STEPS) : (uint32_t)point * 256u;
}

static uint8_t *light_at(const UG_FLASH ug_set *set, uint8_t *out, uint16_t point) {
  return out + (UG_USES_PLACES && set->offsets ? set->offsets[point] : (uint32_t)set->offset + (uint32_t)point * set->bytes_per_point);
}

static void paint_blended(const UG_FLASH ug_set *set, const UG_FLASH ug_layer *layer, const ug_moment *moment,
                          uint8_t *out) {
  const UG_FLASH ug_move *move = &layer->move;
  uint16_t i;
  for (i = 0; i < set->points; i++) {
    uint8_t part = ug_blend(move, moment, place256(layer, i));
    uint8_t *at = light_at(set, out, i);
    uint8_t k;
    /* A single light has one colour: the blend is its level. */
    if (!UG_USES_COLOURS || set->bytes_per_point == 1) {
      uint8_t level = mix(move->level, part);
      lay(at, ug_gamma[level], layer->how, level);
      continue;
    }
    for (k = 0; k < 3; k++) {
      uint8_t from = move->rgb[k], to = move->second[k];
      uint8_t light = move->keeps_current
                          ? between(ug_gamma[mix(from, move->level)], ug_gamma[mix(to, move->level)], part)
                          : ug_gamma[mix(between(from, to, part), move->level)];
      lay(at + k, light, layer->how, move->level);
    }
  }
}

static void paint_layer(const UG_FLASH ug_set *set, const UG_FLASH ug_layer *layer, uint32_t t_ms,
                        const ug_control_state *controls, uint8_t *out) {
  const UG_FLASH ug_move *move = &layer->move;
  uint8_t alike = ug_is_alike(move), cells = ug_is_cells(move), level = 0, colour[3], lights[3] = {0, 0, 0}, k;
  ug_moment moment = {0};
  uint16_t i;
  ug_begin_moment(&moment, move, t_ms, layer->length, controls);
  if (ug_is_blended(move)) {
    paint_blended(set, layer, &moment, out);
    return;
  }
  for (k = 0; k < 3; k++) colour[k] = between(move->second[k], move->rgb[k], moment.blend);
  for (i = 0; i < set->points; i++) {
    uint8_t *at = light_at(set, out, i);
    if (!alike || i == 0) {
      level = ug_level(move, &moment, t_ms, i, cells ? (layer->places ? layer->places[i] : i) : place256(layer, i));
      for (k = 0; k < 3; k++)
        lights[k] = !UG_USES_COLOURS || set->bytes_per_point == 1 ? ug_gamma[level] : ug_gamma[mix(colour[k], level)];
    }
    for (k = 0; k < (UG_USES_COLOURS ? set->bytes_per_point : 1u); k++) lay(at + k, lights[k], layer->how, level);
  }
}

void ug_paint_layers(const UG_FLASH ug_show *show, uint16_t first, uint16_t count, uint32_t t_ms,
                     const ug_control_state *controls, uint8_t *out) {
  uint16_t i;
  for (i = 0; i < count; i++) {
    const UG_FLASH ug_layer *layer = &show->layers[first + i];
    paint_layer(&show->sets[layer->set], layer, t_ms, controls, out);
  }
}

void ug_switch_frame(const UG_FLASH ug_show *show, uint8_t *frame) {
  uint16_t g, i;
  for (g = 0; g < show->group_count; g++) {
    const UG_FLASH ug_group *group = &show->groups[g];
    if (!group->switches) continue;
    for (i = 0; i < group->points; i++)
      if (frame[group->offset + i]) frame[group->offset + i] = 255;
  }
}

/* Light times a share of 256; what is only on or off stays as it is. */
static void dim_lights(const UG_FLASH ug_show *show, uint16_t share256, uint8_t *frame) {
  uint16_t g, i;
  for (g = 0; g < show->group_count; g++) {
    const UG_FLASH ug_group *group = &show->groups[g];
    uint8_t *at = frame + group->offset;
    uint16_t bytes = (uint16_t)(group->points * group->bytes_per_point);
    if (UG_USES_SWITCHES && group->switches) continue;
    for (i = 0; i < bytes; i++) at[i] = (uint8_t)(((uint16_t)at[i] * share256 + 128u) >> 8);
  }
}

void ug_dim_frame(const UG_FLASH ug_show *show, uint8_t level, uint8_t *frame) {
  uint16_t light = ug_gamma[level];
  dim_lights(show, (uint16_t)(light + (light >> 7)), frame);
}

void ug_paint_frame(const UG_FLASH ug_show *show, uint8_t mood, uint32_t t_ms, const ug_control_state *controls,
                    uint8_t *out) {
  const UG_FLASH ug_mood *shown = &show->moods[mood];
  uint16_t i;
  for (i = 0; i < show->frame_bytes; i++) out[i] = 0;
  if (mood >= show->mood_count) return;
  ug_paint_layers(show, shown->first_layer, shown->layer_count, t_ms, controls, out);
  if (shown->brightness256 != 256) dim_lights(show, shown->brightness256, out);
  if (UG_USES_SWITCHES) ug_switch_frame(show, out);
}

/* The light whose look is nearest; the lower one where two are as near. */
static uint8_t light_of(uint16_t look) {
  uint8_t low = 0, high = 255;
  while (low < high) {
    uint8_t middle = (uint8_t)(((uint16_t)low + high) >> 1);
    if (ug_look[middle] < look) low = (uint8_t)(middle + 1u);
    else high = middle;
  }
  if (low == 0) return 0;
  return look - ug_look[low - 1] <= ug_look[low] - look ? (uint8_t)(low - 1u) : low;
}

void ug_cross_fade(const uint8_t *from, const uint8_t *to, uint16_t out256, uint16_t in256, uint8_t keeps_look,
                   uint8_t *out, uint16_t bytes) {
  uint16_t i;
  for (i = 0; i < bytes; i++)
    out[i] = UG_USES_LOOK_FADES && keeps_look
                 ? light_of((uint16_t)(((uint32_t)ug_look[from[i]] * out256 + (uint32_t)ug_look[to[i]] * in256) >> 8))
                 : (uint8_t)(((uint32_t)from[i] * out256 + (uint32_t)to[i] * in256 + 128u) >> 8);
}

uint8_t ug_white(const uint8_t *rgb) {
  uint8_t least = rgb[0] < rgb[1] ? rgb[0] : rgb[1];
  return rgb[2] < least ? rgb[2] : least;
}

uint8_t ug_wire(const UG_FLASH ug_line *line, const uint8_t *rgb, uint8_t k, uint8_t white) {
  uint8_t die = line->wire[k];
  return die == 3 ? white : (uint8_t)(rgb[die] - white);
}

#if UG_USES_RAILS
#define SUPPLY_OF(show, l) ((show)->limits[l].supply)
#else
#define SUPPLY_OF(show, l) (l)
#endif

/* What a light of a group counts in a limit; 0 where it does not. */
static uint32_t counts_in(const UG_FLASH ug_group *group, uint8_t limit) {
#if UG_USES_RAILS
  if (group->together == limit) return group->together_microamps;
#endif
  return group->limit == limit ? group->microamps_per_byte : 0;
}

/* The scale at which a frame keeps one limit; 256 = as it is. */
static uint16_t scale_for(const UG_FLASH ug_show *show, uint8_t l, const uint8_t *frame) {
  const UG_FLASH ug_limit *limit = &show->limits[l];
  uint64_t lit = 0, room, switched = 0;
  uint16_t g, i;
  if (limit->limit_microamps == 0) return 256;
  for (g = 0; g < show->group_count; g++) {
    const UG_FLASH ug_group *group = &show->groups[g];
    uint32_t bytes = (uint32_t)group->points * group->bytes_per_point, sum = 0, microamps = counts_in(group, l);
    if (microamps == 0) continue;
    for (i = 0; i < bytes; i++) sum += frame[group->offset + i];
    if (group->own_white)
      for (i = 0; i < bytes; i = (uint16_t)(i + 3u)) sum -= 2u * ug_white(frame + group->offset + i);
    if (group->switches) switched += (uint64_t)sum * microamps;
    else lit += (uint64_t)sum * microamps;
  }
  if (limit->rest_microamps >= limit->limit_microamps) room = 0;
  else room = (uint64_t)(limit->limit_microamps - limit->rest_microamps) * 255u;
  room = room > switched ? room - switched : 0;
  return lit <= room ? 256 : (uint16_t)((room * 256u) / lit);
}

/* What hangs on one supply is dimmed together. */
static void dim_supply(const UG_FLASH ug_show *show, uint8_t supply, uint16_t scale, uint8_t *frame) {
  uint16_t g, i;
  for (g = 0; g < show->group_count; g++) {
    const UG_FLASH ug_group *group = &show->groups[g];
    uint16_t bytes = (uint16_t)(group->points * group->bytes_per_point);
    if (group->switches || group->limit == UG_NO_LIMIT || SUPPLY_OF(show, group->limit) != supply) continue;
    for (i = 0; i < bytes; i++)
      frame[group->offset + i] = (uint8_t)(((uint32_t)frame[group->offset + i] * scale) >> 8);
  }
}

uint16_t ug_limit_frame(const UG_FLASH ug_show *show, uint8_t *frame) {
  uint16_t least = 256, own = 256, scale;
  uint8_t l;
  for (l = 0; l < show->limit_count; l++) {
    scale = scale_for(show, l, frame);
    if (scale < own) own = scale;
    if (l + 1u < show->limit_count && SUPPLY_OF(show, l + 1u) == SUPPLY_OF(show, l)) continue;
    if (own < 256) dim_supply(show, SUPPLY_OF(show, l), own, frame);
    if (own < least) least = own;
    own = 256;
  }
  return least;
}
