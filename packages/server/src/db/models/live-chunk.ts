import { DataTypes, Model } from 'sequelize';
import type { InferAttributes, InferCreationAttributes, ModelStatic, Sequelize } from 'sequelize';

/** Some seconds of a live recording that has not been stopped yet. */
export class LiveChunk extends Model<InferAttributes<LiveChunk>, InferCreationAttributes<LiveChunk>> {
  declare liveId: string;
  declare place: number;
  /** What the recording is of: the same in each of its chunks. */
  declare about: object;
  /** Seconds, volts, amps as 64-bit floats, sample by sample. */
  declare samples: Buffer;
}

export type LiveChunkModel = ModelStatic<LiveChunk>;

export function defineLiveChunk(sequelize: Sequelize): LiveChunkModel {
  const model = class extends LiveChunk {};
  model.init(
    {
      liveId: { type: DataTypes.UUID, primaryKey: true },
      place: { type: DataTypes.INTEGER, primaryKey: true },
      about: { type: DataTypes.JSONB, allowNull: false },
      samples: { type: DataTypes.BLOB, allowNull: false },
    },
    { sequelize, tableName: 'live_chunks', modelName: 'liveChunk', timestamps: false },
  );
  return model;
}
