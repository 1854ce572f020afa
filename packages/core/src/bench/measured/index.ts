export { measuredFindings, measuredOf } from './measured-findings';
