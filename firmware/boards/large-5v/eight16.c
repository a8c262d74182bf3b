/* Board file: an eight-bit controller at 16 MHz, bare metal, pins 1 to 18 along its edge (its larger kind: 2 KB of memory).
 * Registers stand here by address, so that it builds with the plain architecture: make avr. */
#include "board.h"
#include "pins.h"
#include "show.h"

#define REG(address) (*(volatile uint8_t *)(address))
#define TIFR0 REG(0x35)
#define TCCR0A REG(0x44)
#define TCCR0B REG(0x45)
#define TCNT0 REG(0x46)
#define OCR0A REG(0x47)
#define OCR0B REG(0x48)
#define TIMSK0 REG(0x6e)
#define TIMSK1 REG(0x6f)
#define ADCL REG(0x78)
#define ADCH REG(0x79)
#define ADCSRA REG(0x7a)
#define ADMUX REG(0x7c)
#define TCCR1A REG(0x80)
#define TCCR1B REG(0x81)
#define TCNT1L REG(0x84)
#define TCNT1H REG(0x85)
#define OCR1AL REG(0x88)
#define OCR1AH REG(0x89)
#define OCR1BL REG(0x8a)
#define TCCR2A REG(0xb0)
#define TCCR2B REG(0xb1)
#define OCR2A REG(0xb3)
#define OCR2B REG(0xb4)
#define UCSR0A REG(0xc0)
#define UCSR0B REG(0xc1)
#define UBRR0L REG(0xc4)
#define UDR0 REG(0xc6)

/* The lines of the chip: D0 to D13 count on from 0, A0 to A5 from 14. Pin 1 of the edge is D2, pin 13 is A0. */
enum { D2 = 2, D3, D4, D5, D6, D7, D8, D9, D10, D11, D12, D13, A0, A1, A2, A3, A4, A5, NO_LINE };
#define LINE_OF(pin) ((uint8_t)((pin) == NO_PIN ? NO_LINE : (pin) + 1))

static const uint8_t channel_pins[] = UG_CHANNEL_PINS;
static const uint8_t channel_low[] = UG_CHANNEL_LOW;
static const uint8_t line_pins[] = UG_LINE_PINS;
static const uint8_t control_pins[] = UG_CONTROL_PINS;
#if UG_TOLD > 0
static const uint8_t told_pins[][3] = UG_TOLD_PINS;
#endif

static uint16_t port_of(uint8_t pin) { return pin < 8 ? 0x2b : pin < 14 ? 0x25 : 0x28; }
static uint8_t bit_of(uint8_t pin) { return (uint8_t)(1u << (pin < 8 ? pin : pin < 14 ? pin - 8 : pin - 14)); }
static void make_output(uint8_t pin) { REG(port_of(pin) - 1) |= bit_of(pin); }

/* What the scan changes meanwhile on the same port must not be undone. */
#if UG_GRID_LIGHTS > 0
#define HOLD_SCAN() __asm__ volatile("in %0, 0x3f\n\tcli" : "=r"(held) :: "memory")
#define GO_ON() __asm__ volatile("out 0x3f, %0" :: "r"(held) : "memory")
#else
#define HOLD_SCAN() (void)held
#define GO_ON() (void)held
#endif

static void set_pin(uint8_t pin, uint8_t high) {
  uint8_t held = 0;
  HOLD_SCAN();
  if (high) REG(port_of(pin)) |= bit_of(pin);
  else REG(port_of(pin)) &= (uint8_t)~bit_of(pin);
  GO_ON();
}

#if UG_GRID_LIGHTS > 0
#include "eight16_scan.h"
#endif

/* Timer 0 runs over each 1.024 ms: 16 MHz / 64 / 256. */
static volatile uint32_t overflows;

#include "eight.h"

void __vector_16(void) __attribute__((signal, used, externally_visible));
void __vector_16(void) { overflows++; }

void board_begin(void) {
  uint8_t i;
  for (i = 0; i < sizeof channel_pins; i++) {
    uint8_t line = LINE_OF(channel_pins[i]);
    if (line == NO_LINE) continue;
    /* Its dark level first: what is lit while low must not flash when its pin becomes an output. */
    if (channel_low[i]) set_pin(line, 1);
    make_output(line);
  }
#if UG_TOLD > 0
  for (i = 0; i < sizeof told_pins; i++) make_output(LINE_OF((&told_pins[0][0])[i]));
#endif
  for (i = 0; i < sizeof line_pins; i++) if (line_pins[i] != NO_PIN) make_output(LINE_OF(line_pins[i]));
  for (i = 0; i < sizeof control_pins; i++) if (LINE_OF(control_pins[i]) < A0) set_pin(LINE_OF(control_pins[i]), 1);
  TCCR0A = 0x03;
  TCCR0B = 0x03;
  TIMSK0 = 0x01;
#if UG_GRID_LIGHTS > 0
  scan_begin();
#else
  TCCR1A = 0x01;
  TCCR1B = 0x0b;
#endif
  TCCR2A = 0x03;
  TCCR2B = 0x04;
  ADCSRA = 0x87;
  /* 115 200 baud, twice as fine as usual: 2 % too fast instead of 4 % too slow. */
  UCSR0A = 0x02;
  UBRR0L = 16;
  UCSR0B = 0x08;
  __asm__ volatile("sei");
}

uint32_t board_now_ms(void) {
  uint32_t count;
  __asm__ volatile("cli");
  count = overflows;
  __asm__ volatile("sei");
  /* 1.024 ms each, without a product that overflows within a month. */
  return count + count / 125u * 3u;
}

uint8_t board_low(uint8_t control) {
  uint8_t pin = LINE_OF(control_pins[control]);
  return pin < NO_LINE && (REG(port_of(pin) - 2) & bit_of(pin)) == 0;
}

uint16_t board_level(uint8_t control) {
  uint8_t low, line = LINE_OF(control_pins[control]);
  if (line < A0 || line >= NO_LINE) return 0;
  ADMUX = (uint8_t)(0x40 | (line - A0));
  ADCSRA |= 0x40;
  while (ADCSRA & 0x40) {}
  low = ADCL;
  return (uint16_t)(low | ((uint16_t)ADCH << 8));
}

void board_dim(uint8_t channel, uint8_t light) {
  uint8_t pin = LINE_OF(channel_pins[channel]);
  if (channel_low[channel]) light = (uint8_t)(255 - light);
  switch (pin) {
    case D3: dim(&TCCR2A, 0x20, &OCR2B, pin, light); break;
    case D5: dim(&TCCR0A, 0x20, &OCR0B, pin, light); break;
    case D6: dim(&TCCR0A, 0x80, &OCR0A, pin, light); break;
#if UG_GRID_LIGHTS == 0
    case D9: dim(&TCCR1A, 0x80, &OCR1AL, pin, light); break;
    case D10: dim(&TCCR1A, 0x20, &OCR1BL, pin, light); break;
#endif
    case D11: dim(&TCCR2A, 0x80, &OCR2A, pin, light); break;
    case NO_LINE: break;
    default: set_pin(pin, light >= 128);
  }
}

#if UG_LED_BY_PULSES > 0
void board_pulse(uint8_t channel, uint16_t us) {
  uint8_t pin = LINE_OF(channel_pins[channel]);
  if (pin != NO_LINE) send_pulse(pin, (uint16_t)(us * 4u));
}
#endif

void board_pixels(uint8_t line, const UG_FLASH ug_line *how, const uint8_t *bytes) {
  uint8_t pin = LINE_OF(line_pins[line]), bit, low, high, before, k, dice = how->dice, own_white = how->own_white;
  const uint8_t *end = bytes + how->bytes;
  volatile uint8_t *port;
  if (pin == NO_LINE) return;
  port = &REG(port_of(pin));
  bit = bit_of(pin);
  __asm__ volatile("cli");
#if UG_GRID_LIGHTS > 0
  /* No turn may be lit for as long as this takes. */
  scan_dark();
#endif
  before = TCNT0;
  low = (uint8_t)(*port & (uint8_t)~bit);
  high = (uint8_t)(low | bit);
  for (; bytes < end; bytes += 3) {
    uint8_t white = own_white ? ug_white(bytes) : 0;
    for (k = 0; k < dice; k++) send_byte(port, high, low, ug_wire(how, bytes, k, white));
  }
  make_up_time(before, (uint16_t)(how->bytes / 3u * dice));
  __asm__ volatile("sei");
}

#if UG_GRID_LIGHTS == 0
void board_grid(const uint8_t *lights) { (void)lights; }
#endif

#if UG_TOLD > 0
void board_tell(uint8_t driver, const uint8_t *lights, uint16_t count) {
  uint8_t data = LINE_OF(told_pins[driver][0]), clock = LINE_OF(told_pins[driver][1]), latch = LINE_OF(told_pins[driver][2]);
  volatile uint8_t *data_port = &REG(port_of(data)), *clock_port = &REG(port_of(clock));
  uint8_t data_bit = bit_of(data), clock_bit = bit_of(clock), light, bits, held = 0;
  for (; count > 0; count--)
    for (light = *lights++, bits = 8; bits; bits--, light = (uint8_t)(light << 1)) {
      HOLD_SCAN();
      *clock_port &= (uint8_t)~clock_bit;
      if (light & 0x80) *data_port |= data_bit;
      else *data_port &= (uint8_t)~data_bit;
      *clock_port |= clock_bit;
      GO_ON();
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

void board_say(const char *text) {
  for (;;) {
    uint8_t sign = (uint8_t)(*text ? *text : '\n');
    while (!(UCSR0A & 0x20)) {}
    UDR0 = sign;
    if (!*text) return;
    text++;
  }
}

#if UG_GRID_LIGHTS > 0
#define SCAN_VECTOR "__vector_11"
#else
#define SCAN_VECTOR "__start"
#endif
/* Vectors and start: stack at the top of 2 KB, then libgcc fills the data, then main. */
__asm__(
    ".section .vectors,\"ax\",@progbits\n"
    "jmp __start\n"
    ".rept 10\n jmp __start\n .endr\n"
    "jmp " SCAN_VECTOR "\n"
    ".rept 4\n jmp __start\n .endr\n"
    "jmp __vector_16\n"
    ".rept 9\n jmp __start\n .endr\n"
    ".section .init0,\"ax\",@progbits\n"
    ".global __start\n"
    "__start:\n"
    ".section .init2,\"ax\",@progbits\n"
    "clr r1\n out 0x3f, r1\n ldi r28, 0xff\n ldi r29, 0x08\n out 0x3e, r29\n out 0x3d, r28\n"
    ".section .init9,\"ax\",@progbits\n"
    "call main\n"
    "2: rjmp 2b\n"
    ".text\n");
