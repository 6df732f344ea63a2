import type { EquipmentKind } from '../aircraft/equipment';

/**
 * Preventive maintenance, item by item: what a pilot may do on an aircraft that they own or operate and, holding a private certificate or above, return
 * to service. Source: 14 CFR part 43, appendix A, paragraph (c), numbered as there, with 43.3(g) and 43.7(f) (from memory: consult the text in force).
 */
export const PREVENTIVE_MAINTENANCE = {
  c1: 'Landing gear tyres: removal, installation and repair',
  c2: 'Elastic shock absorber cords on landing gear, replaced',
  c3: 'Landing gear shock struts, serviced with oil, air or both',
  c4: 'Landing gear wheel bearings, cleaned and greased',
  c5: 'Defective safety wiring or cotter keys, replaced',
  c6: 'Lubrication that needs nothing taken apart but cover plates, cowlings and fairings',
  c7: 'Simple fabric patches without rib stitching or removal of structural parts or control surfaces',
  c8: 'Hydraulic fluid in the reservoir, replenished',
  c9: 'Decorative coating refinished where no primary structure or operating system is disturbed',
  c10: 'Preservative or protective material applied where nothing is taken apart and it is not prohibited',
  c11: 'Upholstery and decorative furnishings of the cabin, repaired',
  c12: 'Small simple repairs to fairings, nonstructural cover plates and cowlings that leave the contour',
  c13: 'Side windows replaced where structure and operating systems are not disturbed',
  c14: 'Safety belts, replaced',
  c15: 'Seats or seat parts replaced with approved parts, no primary structure or operating system disturbed',
  c16: 'Broken circuits in landing light wiring, found and repaired',
  c17: 'Bulbs, reflectors and lenses of position and landing lights, replaced',
  c18: 'Wheels and skis replaced where no weight and balance is computed',
  c19: 'Cowling replaced that needs neither the propeller removed nor flight controls disconnected',
  c20: 'Spark plugs replaced or cleaned, and their gap set',
  c21: 'Hose connections replaced, except hydraulic ones',
  c22: 'Prefabricated fuel lines, replaced',
  c23: 'Fuel and oil strainers or filter elements, cleaned or replaced',
  c24: 'Batteries, replaced and serviced',
  c25: 'Balloon burner pilot and main nozzles, cleaned',
  c26: 'Nonstructural standard fasteners incidental to operations, replaced or adjusted',
  c27: 'Balloon baskets and burners interchanged as the type certificate data allow',
  c28: 'Anti-misfuelling devices that reduce the filler opening, installed',
  c29: 'Magnetic chip detectors removed, checked and replaced',
  c30: 'Tasks that the approved programme of a primary category aircraft gives its pilot',
  c31: 'Tray-mounted navigation and communication devices in the front panel, removed and replaced',
  c32: 'Software databases of front-panel navigation, updated',
} as const;
export type PreventiveTask = keyof typeof PREVENTIVE_MAINTENANCE;
export const PREVENTIVE_TASKS = Object.keys(PREVENTIVE_MAINTENANCE) as readonly PreventiveTask[];

/** The equipment that an item is about, where it is about any: a bulb is one of a position or landing light, and of no gyro. Transponders are left out of item 31. */
const ABOUT: Partial<Readonly<Record<PreventiveTask, readonly EquipmentKind[]>>> = {
  c14: ['safety-belts'],
  c16: ['landing-light'],
  c17: ['position-lights', 'landing-light'],
  c24: ['electrical-source'],
  c31: ['two-way-radio', 'vor-receiver', 'ifr-navigation', 'satellite-navigator'],
  c32: ['satellite-navigator'],
};

/** Whether an item of preventive maintenance can have put equipment right. What names no equipment, such as a tyre, is left to the person who signs. */
export function isAbout(task: PreventiveTask, equipment: readonly EquipmentKind[]): boolean {
  return equipment.every((kind) => ABOUT[task]?.includes(kind) === true);
}
