/* How bright one light is in a move: see core/src/moves. */
#ifndef LEVELS_H
#define LEVELS_H

#include "glimmer.h"

/* Where in its period a move stands, of 65,536. */
uint32_t ug_phase(uint32_t t_ms, uint32_t period_ms);
uint8_t ug_wave(uint32_t phase);
/* What a control reads, 255 where nothing does. */
uint8_t ug_read(const ug_control_state *controls, uint8_t control);
/* There and back over a period. */
static inline uint32_t ug_triangle(uint32_t phase) { return phase < 32768u ? phase * 2u : (65535u - phase) * 2u; }
static inline uint16_t ug_clamp256(int32_t share) { return (uint16_t)(share < 0 ? 0 : share > 256 ? 256 : share); }
static inline uint8_t ug_scaled(const UG_FLASH ug_move *move, uint16_t share256) {
  return (uint8_t)(((uint32_t)move->level * share256) >> 8);
}
/* What of a move is the same for all its lights at a moment, so that it is worked out once a frame. */
typedef struct {
  uint32_t slot;
  int32_t at256;
  uint16_t part;
  uint8_t level;
  uint8_t rises;
  /* How far the colour has gone from the second to its own, of 255. */
  uint8_t blend;
} ug_moment;

/* A light of what is filled up to a point, the last light in part. */
uint8_t ug_filled(const UG_FLASH ug_move *move, const ug_moment *moment, uint32_t place256);

/* What follows asks the kinds: see moves.c. */
void ug_begin_moment(ug_moment *moment, const UG_FLASH ug_move *move, uint32_t t_ms, uint16_t length,
                     const ug_control_state *controls);
/* `place256` in 256ths of a light; for cells the number of the cell. */
uint8_t ug_level(const UG_FLASH ug_move *move, const ug_moment *moment, uint32_t t_ms, uint16_t point,
                 uint32_t place256);
/* Its lights differ by colour; how far each has gone toward the second, of 255. */
uint8_t ug_is_blended(const UG_FLASH ug_move *move);
uint8_t ug_blend(const UG_FLASH ug_move *move, const ug_moment *moment, uint32_t place256);
/* All its lights show the same. */
uint8_t ug_is_alike(const UG_FLASH ug_move *move);
/* Its lights are cells of a grid. */
uint8_t ug_is_cells(const UG_FLASH ug_move *move);
/* A number below 65,535 divided by 255, without a division. */
static inline uint8_t ug_by255(uint16_t x) { return (uint8_t)((x + 1u + (x >> 8)) >> 8); }

#endif
