/* What a board has to do for the engine: eight functions. Pins are numbered along the board's edge, see pins.h. */
#ifndef BOARD_H
#define BOARD_H

#include <stdint.h>

void board_begin(void);
/* Milliseconds since it was switched on. */
uint32_t board_now_ms(void);
/* 1 while the button on this control is pressed. */
uint8_t board_pressed(uint8_t control);
/* The reading of the sensor on this control, in the codes of the plan. */
uint16_t board_level(uint8_t control);
/* Light of a dimmed channel, 0 to 255; `channel` counts over the list of pins.h. Where UG_CHANNEL_LOW says so its pin is
 * lit while it is low: 255 is then a low pin, and dark is high from the first moment on. */
void board_dim(uint8_t channel, uint8_t light);
/* Sends the bytes of a chain of pixels, first pixel first, red green blue each; the board puts them in the tape's order.
 * Where `dice` is 4 a pixel takes a fourth byte, for its white die, which is 0. */
void board_pixels(uint8_t line, const uint8_t *bytes, uint16_t count, uint8_t dice);
/* Waits until the next frame is due. */
void board_wait_frame(void);
/* A line of text for whoever listens: the program's mark, the mood it goes to. */
void board_say(const char *text);

#endif
