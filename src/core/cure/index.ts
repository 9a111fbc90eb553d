/** How a resin hardens: by time and temperature, and how hot it makes itself. */
export { adiabaticRise, exothermCourse, laminateSpecificHeat, type ExothermCourse } from './exotherm';
export { cureAtOneTemperature } from './degree';
export { cureRate, rateConstants, type Kinetics } from './kinetics';
export { potLifeByArrhenius } from './potLife';
