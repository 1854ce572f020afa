import { roleOf } from '../../rig/drawn';
import type { Part, RigFault } from '../../rig/drawn';
import type { ResolvedRig } from '../../rig/resolved';
import type { Finding, FindingPlace } from '../facts';
import { finding } from '../finding';

/** What keeps a rig from being looked at as drawn. */
export function drawingFindings({ faults }: Pick<ResolvedRig, 'faults'>): readonly Finding[] {
  return faults.map(ofFault);
}

function ofFault(fault: RigFault): Finding {
  switch (fault.fault) {
    case 'part-gone': {
      const { gearId, kind } = fault;
      const role = kind === undefined || kind === 'charger' ? 'rig' : kind;
      return finding('part-missing', 'unknown', { aspect: 'connector', role, gearId, part: kind ?? 'part' }, { gone: 'part', kind });
    }
    case 'mode-gone':
    case 'phase-mode-gone': {
      const { part, modeId: mode } = fault;
      const gone = fault.fault === 'mode-gone' ? 'mode' : 'phase-mode';
      return finding('part-missing', 'unknown', { ...at(part), part: 'device' }, { gone, device: part.title, mode });
    }
    case 'phase-device-gone': {
      const { gearId } = fault;
      return finding('part-missing', 'unknown', { aspect: 'connector', role: 'device', gearId, part: 'device' }, { gone: 'phase-device' });
    }
    case 'port-gone': {
      const { part, side, portId } = fault;
      return finding('part-missing', 'unknown', { ...at(part), part: roleOf(part) }, { gone: side, of: part.title, port: portId });
    }
    case 'used-twice':
      return finding('used-twice', 'stop', at(fault.part), { of: fault.part.title, port: fault.port });
    case 'loop':
      return finding('loop', 'stop', at(fault.part), { of: fault.part.title });
    case 'device-not-fed':
    case 'part-not-fed':
      return finding('not-fed', 'stop', at(fault.part), { of: fault.part.title, handsOn: fault.fault === 'part-not-fed' });
  }
}

function at(part: Part): FindingPlace {
  return { aspect: 'connector', role: roleOf(part), gearId: part.id, part: part.title };
}
