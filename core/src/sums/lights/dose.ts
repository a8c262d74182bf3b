import { lightDose, secondsToDose } from '../../lights/index.ts';
import { fillSum } from '../../units/index.ts';
import { ask, assume } from '../inputs.ts';
import { defineSum, figure, finding, mainFigure } from '../sum.ts';

/** Answers charging what glows, and curing resin. */
export const doseSum = defineSum({
  name: 'dose',
  title: 'Dose of invisible light',
  about: 'Dose on an area, and the seconds to a dose, for curing and charging glow paint.',
  group: 'lights',
  inputs: {
    powerW: ask('powerW', 'power', 'Radiant power that arrives', 0.012, { most: 100, usual: [0.0001, 5] }),
    areaCm2: ask('areaCm2', 'area', 'Area it falls on', 2.5, { least: 0.001, most: 1e5 }),
    timeS: assume('timeS', 'time', 'Time', 90, { least: 0, most: 1e6 }),
    wantedJPerCm2: assume('doseJPerCm2', 'wanted', 'Dose wanted', 1, { least: 0.0001, most: 1e4 }),
  },
  reckon: ({ powerW, areaCm2, timeS, wantedJPerCm2 }) => ({
    results: [
      mainFigure('doseJPerCm2', 'Dose', 'doseJPerCm2', lightDose.reckon({ P: powerW, A: areaCm2, t: timeS })),
      figure('timeForDoseS', 'Time for the dose wanted', 'timeS', secondsToDose(wantedJPerCm2, powerW, areaCm2)),
    ],
    steps: [fillSum(lightDose, { P: powerW, A: areaCm2, t: timeS })],
    findings: [
      finding(
        'eyes',
        'mind',
        'Never look into it, and keep it off skin',
        'Ultraviolet and infrared harm the eye at levels that look dim or dark; it does not blink for what it does not see.',
        'Closed box, a visible light beside it as a sign, glasses made for the wavelength; look at it through a camera.',
      ),
      finding(
        'slower',
        'mind',
        'Half the power takes twice the time',
        'For a look, dimmer is nearly as good; for a dose it is in proportion.',
        'Resin in a hollow cures only where the light reaches.',
      ),
    ],
  }),
});
