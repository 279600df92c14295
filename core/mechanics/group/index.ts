export {
  groupForceAt,
  lineGroup,
  pointGroup,
  unheldMoment,
  worstInGroup,
  type Group,
  type GroupLoad,
  type LineWeld,
} from './group';
