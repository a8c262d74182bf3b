/* Board file: a small eight-bit controller at 16.5 MHz, bare metal, pins 1 to 5 along its edge (512 bytes of memory, 8 KB of
 * flash). Registers stand here by address, so that it builds with the plain architecture: make avr. It has no serial line:
 * what it would say stands in show.h. */
#include "board.h"
#include "pins.h"
#include "show.h"

#define REG(address) (*(volatile uint8_t *)(address))
#define ADCL REG(0x24)
#define ADCH REG(0x25)
#define ADCSRA REG(0x26)
#define ADMUX REG(0x27)
#define PINB REG(0x36)
#define DDRB REG(0x37)
#define PORTB REG(0x38)
#define OCR0B REG(0x48)
#define OCR0A REG(0x49)
#define TCCR0A REG(0x4a)
#define OCR1B REG(0x4b)
#define GTCCR REG(0x4c)
#define OCR1C REG(0x4d)
#define OCR1A REG(0x4e)
#define TCNT1 REG(0x4f)
#define TCCR1 REG(0x50)
#define TCNT0 REG(0x52)
#define TCCR0B REG(0x53)
#define TIFR REG(0x58)
#define TIMSK REG(0x59)

#define BIT_OF(pin) ((uint8_t)((pin) == NO_PIN ? 0 : 1u << ((pin) - 1)))

static const uint8_t channel_pins[] = UG_CHANNEL_PINS;
static const uint8_t channel_low[] = UG_CHANNEL_LOW;
static const uint8_t line_pins[] = UG_LINE_PINS;
static const uint8_t control_pins[] = UG_CONTROL_PINS;
#if UG_TOLD > 0
static const uint8_t told_pins[][3] = UG_TOLD_PINS;
#endif

/* A pin by its bit: what the scan changes meanwhile must not be undone. */
static void set_pin(uint8_t bit, uint8_t high) {
#if UG_GRID_LIGHTS > 0
  uint8_t held;
  __asm__ volatile("in %0, 0x3f\n\tcli" : "=r"(held) :: "memory");
#endif
  if (high) PORTB |= bit;
  else PORTB &= (uint8_t)~bit;
#if UG_GRID_LIGHTS > 0
  __asm__ volatile("out 0x3f, %0" :: "r"(held) : "memory");
#endif
}

#if UG_GRID_LIGHTS > 0
#include "eight5_scan.h"
#endif

/* The converter's channel of a pin; none where it has no way to it. */
static uint8_t channel_of(uint8_t pin) { return pin == 3 ? 1 : pin == 4 ? 3 : pin == 5 ? 2 : 0; }

/* Timer 0 runs over each 0.993 ms: 16.5 MHz / 64 / 256. */
static volatile uint32_t overflows;

#include "eight.h"

void __vector_5(void) __attribute__((signal, used, externally_visible));
void __vector_5(void) { overflows++; }

void board_begin(void) {
  uint8_t i;
  for (i = 0; i < sizeof channel_pins; i++) {
    /* Its dark level first: what is lit while low must not flash when its pin becomes an output. */
    if (channel_low[i]) set_pin(BIT_OF(channel_pins[i]), 1);
    DDRB |= BIT_OF(channel_pins[i]);
  }
#if UG_TOLD > 0
  for (i = 0; i < sizeof told_pins; i++) DDRB |= BIT_OF((&told_pins[0][0])[i]);
#endif
  for (i = 0; i < sizeof line_pins; i++) DDRB |= BIT_OF(line_pins[i]);
#if UG_CONTROLS > 0
  for (i = 0; i < UG_CONTROLS; i++) if (!ug_plan.controls[i].is_sensor) set_pin(BIT_OF(control_pins[i]), 1);
#endif
  TCCR0A = 0x03;
  TCCR0B = 0x03;
  TIMSK = 0x02;
#if UG_GRID_LIGHTS > 0
  scan_begin();
#else
  /* Timer 1 for pin 5: as many steps, as slowly. */
  GTCCR = 0x40;
  OCR1C = 255;
  TCCR1 = 0x07;
#endif
  ADCSRA = 0x87;
  __asm__ volatile("sei");
}

uint32_t board_now_ms(void) {
  uint32_t count;
  __asm__ volatile("cli");
  count = overflows;
  __asm__ volatile("sei");
  /* 16,384 cycles of 16.5 MHz are 4096/4125 ms each, without a product that overflows within a month. */
  return count - count / 4125u * 29u - count % 4125u * 29u / 4125u;
}

uint8_t board_low(uint8_t control) { return (PINB & BIT_OF(control_pins[control])) == 0; }

uint16_t board_level(uint8_t control) {
  uint8_t low, channel = channel_of(control_pins[control]);
  if (channel == 0) return 0;
  ADMUX = channel;
  ADCSRA |= 0x40;
  while (ADCSRA & 0x40) {}
  low = ADCL;
  return (uint16_t)(low | ((uint16_t)ADCH << 8));
}

void board_dim(uint8_t channel, uint8_t light) {
  uint8_t pin = channel_pins[channel], bit = BIT_OF(pin);
  if (channel_low[channel]) light = (uint8_t)(255 - light);
  switch (pin) {
    case 1: dim(&TCCR0A, 0x80, &OCR0A, bit, light); break;
    case 2: dim(&TCCR0A, 0x20, &OCR0B, bit, light); break;
#if UG_GRID_LIGHTS == 0
    case 5: dim(&GTCCR, 0x20, &OCR1B, bit, light); break;
#endif
    case NO_PIN: break;
    default: set_pin(bit, light >= 128);
  }
}

#if UG_LED_BY_PULSES > 0
/* 16.5 cycles a microsecond. */
void board_pulse(uint8_t channel, uint16_t us) { send_pulse(BIT_OF(channel_pins[channel]), (uint16_t)(us * 4u + us / 8u)); }
#endif

void board_pixels(uint8_t line, const UG_FLASH ug_line *how, const uint8_t *bytes) {
  uint8_t bit = BIT_OF(line_pins[line]), low, high, before, k, dice = how->dice, own_white = how->own_white;
  const uint8_t *end = bytes + how->bytes;
  if (bit == 0) return;
  __asm__ volatile("cli");
#if UG_GRID_LIGHTS > 0
  /* No turn may be lit for as long as this takes. */
  scan_dark();
#endif
  before = TCNT0;
  low = (uint8_t)(PORTB & (uint8_t)~bit);
  high = (uint8_t)(low | bit);
  for (; bytes < end; bytes += 3) {
    uint8_t white = own_white ? ug_white(bytes) : 0;
    for (k = 0; k < dice; k++) send_byte(&PORTB, high, low, ug_wire(how, bytes, k, white));
  }
  make_up_time(before, (uint16_t)(how->bytes / 3u * dice));
#if UG_GRID_LIGHTS > 0
  scan_again();
#endif
  __asm__ volatile("sei");
}

#if UG_GRID_LIGHTS == 0
void board_grid(const uint8_t *lights) { (void)lights; }
#endif

#if UG_TOLD > 0
void board_tell(uint8_t driver, const uint8_t *lights, uint16_t count) {
  uint8_t data = BIT_OF(told_pins[driver][0]), clock = BIT_OF(told_pins[driver][1]), latch = BIT_OF(told_pins[driver][2]);
  uint8_t light, bits;
  for (; count > 0; count--)
    for (light = *lights++, bits = 8; bits; bits--, light = (uint8_t)(light << 1)) {
      set_pin(clock, 0);
      set_pin(data, light & 0x80);
      set_pin(clock, 1);
    }
  set_pin(latch, 1);
  set_pin(latch, 0);
}
#else
void board_tell(uint8_t driver, const uint8_t *lights, uint16_t count) { (void)driver; (void)lights; (void)count; }
#endif

/* The silence that ends a frame and the pace of the loop in one: the next whole 16 ms. */
void board_wait_frame(void) {
  uint32_t from = board_now_ms() / 16u;
  while (board_now_ms() / 16u == from) {}
}

void board_say(const char *text) { (void)text; }

#if UG_GRID_LIGHTS > 0
#define SCAN_VECTOR "__vector_3"
#else
#define SCAN_VECTOR "__start"
#endif
/* Vectors and start: stack at the top of 512 bytes, then libgcc fills the data, then main. */
__asm__(
    ".section .vectors,\"ax\",@progbits\n"
    "rjmp __start\n"
    ".rept 2\n rjmp __start\n .endr\n"
    "rjmp " SCAN_VECTOR "\n"
    "rjmp __start\n"
    "rjmp __vector_5\n"
    ".rept 9\n rjmp __start\n .endr\n"
    ".section .init0,\"ax\",@progbits\n"
    ".global __start\n"
    "__start:\n"
    ".section .init2,\"ax\",@progbits\n"
    "clr r1\n out 0x3f, r1\n ldi r28, 0x5f\n ldi r29, 0x02\n out 0x3e, r29\n out 0x3d, r28\n"
    ".section .init9,\"ax\",@progbits\n"
    "rcall main\n"
    "2: rjmp 2b\n"
    ".text\n");
