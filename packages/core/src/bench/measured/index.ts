export { measuredFindings, measuredOf, sheetsAbout } from './measured-findings';
