/** The core's contents page, rooms in the order of the job. */
export * as quantity from './quantity';
export * as geometry from './geometry';
export * as mechanics from './mechanics';
export * as reference from './reference';
export * as frame from './frame';
export * as walk from './walk';
export * as probe from './probe';
export * as trace from './trace';
export * as metal from './metal';
export * as weigh from './weigh';
export * as shape from './shape';
export * as join from './join';
export * as order from './order';
export * as prove from './prove';
export * as patterns from './patterns';
export * as job from './job';
export * as exchange from './exchange';
