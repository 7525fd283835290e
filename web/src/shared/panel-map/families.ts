import { LAYER_KINDS, type Zone } from '@blue-ledge/core';

/** Family of what lies on top of a zone as it was found. */
export const familyOf = (zone: Zone): string => LAYER_KINDS[zone.layers[zone.layers.length - 1]!.kind].family;
