import { DataTypes, Model } from 'sequelize';
import type { CreationOptional, InferAttributes, InferCreationAttributes, ModelStatic, Sequelize } from 'sequelize';

/** Where the samples of a recording, reduced to slots, and the file it was read from, compressed, are kept in pieces. Never changed once there. */
export class RecordingData extends Model<InferAttributes<RecordingData>, InferCreationAttributes<RecordingData>> {
  declare recordingId: string;
  declare slotsId: string;
  declare slotsBytes: number;
  declare originalId: CreationOptional<string | null>;
  declare originalBytes: CreationOptional<number | null>;
  declare originalName: CreationOptional<string | null>;
  declare savedAt: Date;
}

export type RecordingDataModel = ModelStatic<RecordingData>;

export function defineRecordingData(sequelize: Sequelize): RecordingDataModel {
  const model = class extends RecordingData {};
  model.init(
    {
      recordingId: { type: DataTypes.UUID, primaryKey: true },
      slotsId: { type: DataTypes.UUID, allowNull: false },
      slotsBytes: { type: DataTypes.INTEGER, allowNull: false },
      originalId: { type: DataTypes.UUID },
      originalBytes: { type: DataTypes.INTEGER },
      originalName: { type: DataTypes.TEXT },
      savedAt: { type: DataTypes.DATE, allowNull: false },
    },
    { sequelize, tableName: 'recording_data', modelName: 'recordingData', timestamps: false },
  );
  return model;
}
