import { DataTypes, Model } from 'sequelize';
import type { CreationOptional, InferAttributes, InferCreationAttributes, ModelStatic, Sequelize } from 'sequelize';

/** The samples of a recording, reduced to slots, and the file it was read from, compressed. Never changed once there. */
export class RecordingData extends Model<InferAttributes<RecordingData>, InferCreationAttributes<RecordingData>> {
  declare recordingId: string;
  declare slots: Buffer;
  declare original: CreationOptional<Buffer | null>;
  declare originalName: CreationOptional<string | null>;
  declare savedAt: Date;
}

export type RecordingDataModel = ModelStatic<RecordingData>;

export function defineRecordingData(sequelize: Sequelize): RecordingDataModel {
  const model = class extends RecordingData {};
  model.init(
    {
      recordingId: { type: DataTypes.UUID, primaryKey: true },
      slots: { type: DataTypes.BLOB, allowNull: false },
      original: { type: DataTypes.BLOB },
      originalName: { type: DataTypes.TEXT },
      savedAt: { type: DataTypes.DATE, allowNull: false },
    },
    { sequelize, tableName: 'recording_data', modelName: 'recordingData', timestamps: false },
  );
  return model;
}
