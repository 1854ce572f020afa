import { DataTypes, Model } from 'sequelize';
import type { InferAttributes, InferCreationAttributes, ModelStatic, Sequelize } from 'sequelize';

/** A piece of something large that is read and written piece by piece. */
export class Piece extends Model<InferAttributes<Piece>, InferCreationAttributes<Piece>> {
  declare wholeId: string;
  declare place: number;
  declare bytes: Buffer;
  declare savedAt: Date;
}

export type PieceModel = ModelStatic<Piece>;

export function definePiece(sequelize: Sequelize): PieceModel {
  const model = class extends Piece {};
  model.init(
    {
      wholeId: { type: DataTypes.UUID, primaryKey: true },
      place: { type: DataTypes.INTEGER, primaryKey: true },
      bytes: { type: DataTypes.BLOB, allowNull: false },
      savedAt: { type: DataTypes.DATE, allowNull: false },
    },
    { sequelize, tableName: 'pieces', modelName: 'piece', timestamps: false },
  );
  return model;
}
