export { limitSetter, meaningOf, sayCardChange, sayConnecting, sayFinding, sayMoment, sayNobody, saySum, sayTrackPeak, sayUnrecorded, sumOf, tell } from '../words';
export type { Told } from '../words';
