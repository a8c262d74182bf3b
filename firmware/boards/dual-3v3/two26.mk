
# The two-core 3.3 V board at 125 MHz (Debian: gcc-arm-none-eabi); program.uf2 is copied on to the drive that it shows while its
# button is held as it is plugged in.
arm: program.uf2
program.elf: $(MAIN) two26.c two26_scan.h pairs.h two26.ld $(ENGINE) board.h say.h pins.h uses.h show.h
	arm-none-eabi-gcc -mcpu=cortex-m0plus -mthumb -std=gnu99 -Wall -Wextra -Werror -Os -flto -ffreestanding -ffunction-sections -fdata-sections -Wl,--gc-sections -nostartfiles -nostdlib -Wl,-T,two26.ld -o $@ $(MAIN) two26.c $(ENGINE) -lgcc
program.bin: program.elf
	arm-none-eabi-objcopy -O binary $< $@
program.uf2: program.bin two26_uf2.c
	$(CC) $(CFLAGS) -o two26_uf2 two26_uf2.c
	./two26_uf2 program.bin program.uf2
	arm-none-eabi-size program.elf
