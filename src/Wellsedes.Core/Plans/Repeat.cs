using System.Text.Json.Serialization;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Plans;

/// <summary>
/// The same catalogue item in rows and columns, staying editable: the recipe only. Its members are items whose Parent is its
/// id and whose Slot counts from the first column of the first row along the rows; the editor rewrites them with it. X, Y is
/// the middle of slot 0, spacings are from middle to middle in mm along its own axes.
/// </summary>
public sealed record Repeat(
    string Id,
    string SchemeId,
    string LevelId,
    string Catalogue,
    double X,
    double Y,
    double Rotation,
    int Columns,
    int Rows,
    double ColumnSpacing,
    double RowSpacing
) : Entity(Id), IOfScheme, IOnLevel
{
    /// <summary>The most members of one repeat.</summary>
    public const int Most = 2000;

    [JsonIgnore]
    public Placement Placement => new(X, Y, Rotation);

    public Placement Slot(int slot) => Placement.Then(new Placement(slot % Columns * ColumnSpacing, slot / Columns * RowSpacing, 0));
}
