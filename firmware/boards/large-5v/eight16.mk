
# The eight-bit board at 16 MHz (Debian: gcc-avr); program.hex is what a programmer takes. The tables lie in flash, in the
# compiler's own address space for it, hence gnu99.
SMALL = -Os -mcall-prologues -mrelax -ffunction-sections -fdata-sections -Wl,--gc-sections -flto -Wl,-u,main
avr: program.hex
program.elf: $(MAIN) eight16.c eight.h eight16_scan.h pairs.h $(ENGINE) board.h pins.h uses.h show.h
	avr-gcc -mmcu=avr5 -std=gnu99 -Wall -Wextra -Werror $(SMALL) -nostartfiles -Wl,-Tdata=0x800100 -o $@ $(MAIN) eight16.c $(ENGINE)
program.hex: program.elf
	avr-objcopy -O ihex -R .eeprom $< $@
	avr-size $<
