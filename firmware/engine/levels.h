/* How bright one light is in a move: see core/src/motion/levels.ts. */
#ifndef LEVELS_H
#define LEVELS_H

#include "glimmer.h"

/* Where in its period a move stands, of 65,536. */
uint32_t ug_phase(uint32_t t_ms, uint32_t period_ms);
uint8_t ug_wave(uint32_t phase);
/* What a control reads, 255 where nothing does. */
uint8_t ug_read(const ug_control_state *controls, uint8_t control);
/* Which of so many steps a value stands on. */
uint8_t ug_step(uint8_t value, uint8_t count);
/* What of a move is the same for all its lights at a moment, so that it is worked out once a frame. */
typedef struct {
  uint32_t slot;
  int32_t at256;
  uint16_t part;
  uint8_t level;
  uint8_t rises;
} ug_moment;

void ug_begin_moment(ug_moment *moment, const UG_FLASH ug_move *move, uint32_t t_ms, uint16_t length,
                     const ug_control_state *controls);
/* `place256` in 256ths of a light; for cells the number of the cell. */
uint8_t ug_level(const UG_FLASH ug_move *move, const ug_moment *moment, uint32_t t_ms, uint16_t point,
                 uint32_t place256);
/* A number below 65,535 divided by 255, without a division. */
static inline uint8_t ug_by255(uint16_t x) { return (uint8_t)((x + 1u + (x >> 8)) >> 8); }
/* Part of 256 of a cell. */
uint16_t ug_cell_share(const UG_FLASH ug_move *move, uint32_t t_ms, uint16_t cell);

#endif
