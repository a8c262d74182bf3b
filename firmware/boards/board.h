/* What a board has to do for the engine: eleven functions. Pins are numbered along the board's edge, see pins.h. */
#ifndef BOARD_H
#define BOARD_H

#include <stdint.h>

#include "glimmer.h"

void board_begin(void);
/* Milliseconds since it was switched on. */
uint32_t board_now_ms(void);
/* 1 while the pin of this control is low, its pull-up on: what closes it closes it to minus. */
uint8_t board_low(uint8_t control);
/* The reading of the sensor on this control, in the codes of the plan. */
uint16_t board_level(uint8_t control);
/* Light of a dimmed channel, 0 to 255; `channel` counts over the list of pins.h. Where UG_CHANNEL_LOW says so its pin is
 * lit while it is low: 255 is then a low pin, and dark is high from the first moment on. */
void board_dim(uint8_t channel, uint8_t light);
/* One pulse on the pin of a channel, high for so many microseconds: what leads a servo. Called once a frame. */
void board_pulse(uint8_t channel, uint16_t us);
/* Sends the `how->bytes` of a line, red green blue of each pixel, the first pixel first: for each the `how->dice` bytes that
 * `ug_wire` gives, in the order in which the tape takes them. `line` counts over the list of pins.h. */
void board_pixels(uint8_t line, const UG_FLASH ug_line *how, const uint8_t *bytes);
/* Shows the lights of the grid that this board scans, 0 to 255 each, UG_GRID_LIGHTS of them. Row after row, a row of
 * UG_GRID_COLUMNS; with UG_GRID_ONE_BY_ONE each between two of UG_GRID_SHARED_PINS: the first gives to each other in turn,
 * then the second, and so on. Only one turn is lit at a time, a hundred whole pictures a second or more; dark columns are
 * driven to their dark level, dark shared pins are let go. */
void board_grid(const uint8_t *lights);
/* Tells a scan driver its lights: a byte each, the highest bit first, taken while its clock rises, shown once its latch rises.
 * `driver` counts over UG_TOLD_PINS, each its data, clock and latch. */
void board_tell(uint8_t driver, const uint8_t *lights, uint16_t count);
/* Waits until the next frame is due. */
void board_wait_frame(void);
/* A line of text for whoever listens, without its end: the program's mark, the mood it goes to, what its limiter holds back,
 * the charge. */
void board_say(const char *text);

#endif
