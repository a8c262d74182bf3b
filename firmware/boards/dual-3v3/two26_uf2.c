/* Makes of a program what its chip takes as a drive: seals the first 252 bytes with their check sum, without which they are not
 * run, and cuts the whole into blocks of 256 bytes, each with its address. For the computer that builds, not for the board. */
#include <stdint.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#define BLOCK 256u
#define BOOT 252u
#define MOST (2u * 1024 * 1024)
#define FLASH 0x10000000u
#define FAMILY 0xe48bff56u
#define HAS_FAMILY 0x2000u

static uint32_t check_sum(const uint8_t *bytes, uint32_t count) {
  uint32_t sum = 0xffffffffu, i, bit;
  for (i = 0; i < count; i++) {
    sum ^= (uint32_t)bytes[i] << 24;
    for (bit = 0; bit < 8; bit++) sum = sum & 0x80000000u ? (sum << 1) ^ 0x04c11db7u : sum << 1;
  }
  return sum;
}

static void put(uint8_t *at, uint32_t word) {
  uint8_t i;
  for (i = 0; i < 4; i++) at[i] = (uint8_t)(word >> (8 * i));
}

int main(int count, char **names) {
  static uint8_t program[MOST + BLOCK], block[512];
  FILE *in = count == 3 ? fopen(names[1], "rb") : 0, *out = count == 3 ? fopen(names[2], "wb") : 0;
  uint32_t size, blocks, i;
  if (!in || !out) {
    fprintf(stderr, "two26_uf2 program.bin program.uf2\n");
    return 1;
  }
  size = (uint32_t)fread(program, 1, MOST, in);
  if (size < BLOCK) return 1;
  put(program + BOOT, check_sum(program, BOOT));
  blocks = (size + BLOCK - 1) / BLOCK;
  for (i = 0; i < blocks; i++) {
    memset(block, 0, sizeof block);
    put(block, 0x0a324655u);
    put(block + 4, 0x9e5d5157u);
    put(block + 8, HAS_FAMILY);
    put(block + 12, FLASH + i * BLOCK);
    put(block + 16, BLOCK);
    put(block + 20, i);
    put(block + 24, blocks);
    put(block + 28, FAMILY);
    memcpy(block + 32, program + i * BLOCK, BLOCK);
    put(block + 508, 0x0ab16f30u);
    if (fwrite(block, sizeof block, 1, out) != 1) return 1;
  }
  return fclose(out) || fclose(in);
}
