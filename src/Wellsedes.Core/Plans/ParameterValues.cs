using Wellsedes.Core.Catalogue;

namespace Wellsedes.Core.Plans;

/// <summary>An item's parameters held against what its maker asks for.</summary>
public static class ParameterValues
{
    /// <summary>What is wrong with parameters for a maker and a size; null when nothing is.</summary>
    public static Problem? Check(CatalogueItem kind, ItemSize size, ItemParameters? own)
    {
        own ??= ItemParameters.None;
        var maker = FormMaker.Find(kind.Maker);
        foreach (var key in own.Keys)
        {
            if (maker.Parameters.FirstOrDefault(p => p.Key == key) is not { } parameter)
                return new Problem(
                    key,
                    $"“{kind.Name}” has no {key}"
                        + (maker.Parameters.IsEmpty ? "." : $"; it has {string.Join(", ", maker.Parameters.Select(p => p.Key))}.")
                );
            var list = own.List(key);
            if (!parameter.IsList && list.Length != 1)
                return new Problem(key, $"The {parameter.Label.ToLowerInvariant()} is one figure; {list.Length} were given.");
            foreach (var value in list)
                if (parameter.IsCount && value != Math.Floor(value))
                    return new Problem(
                        key,
                        $"The {parameter.Label.ToLowerInvariant()} of “{kind.Name}” is a whole number; {value:0.##} was given."
                    );
                else if (!(value >= parameter.Least && value <= parameter.Most))
                    return new Problem(
                        key,
                        $"The {parameter.Label.ToLowerInvariant()} of “{kind.Name}” must be from {parameter.Least:0.##} to {parameter.Most:0.##}; {value:0.##} was given."
                    );
        }
        return maker.Wrong?.Invoke(size, MakerParameters.Of(kind, own)) is { } wrong ? new Problem(wrong.Key, wrong.Message) : null;
    }
}
