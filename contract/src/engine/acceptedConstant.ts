/** A number of the house's own that it has accepted: by which factor, or by how many °C, it is other than was assumed. */
export interface AcceptedConstant {
  readonly name: string;
  readonly factor?: number;
  readonly shift?: number;
}
