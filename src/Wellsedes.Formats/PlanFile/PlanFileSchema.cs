using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Schema;
using Wellsedes.Core.KindsOfThing;
using Wellsedes.Core.Plans;

namespace Wellsedes.Formats.PlanFile;

/// <summary>The JSON Schema (draft 2020-12) of plan files, made from the entities themselves.</summary>
public static class PlanFileSchema
{
    public static string Write()
    {
        var kinds = EntityKinds.All(ThingList.Shipped).ToArray();
        var definitions = new JsonObject();
        var choices = new JsonArray();
        foreach (var kind in kinds)
        {
            var name = kind.Name;
            var schema = PlanJson.Options.GetJsonSchemaAsNode(kind.Type).AsObject();
            schema["type"] = "object";
            schema["properties"]!["type"] = new JsonObject { ["const"] = name };
            schema["required"]!.AsArray().Insert(0, "type");
            definitions[name] = schema;
            choices.Add(new JsonObject { ["$ref"] = $"#/$defs/{name}" });
        }
        var root = new JsonObject
        {
            ["$schema"] = "https://json-schema.org/draft/2020-12/schema",
            ["title"] = "Wellsedes plan file",
            ["type"] = "object",
            ["required"] = new JsonArray("format", "version", "entities"),
            ["properties"] = new JsonObject
            {
                ["format"] = new JsonObject { ["const"] = PlanFiles.FormatName },
                ["version"] = new JsonObject { ["const"] = PlanFormat.Version },
                ["entities"] = new JsonObject
                {
                    ["type"] = "array",
                    ["items"] = new JsonObject { ["anyOf"] = choices },
                },
            },
            ["$defs"] = definitions,
        };
        return root.ToJsonString(PlanJson.Indented) + "\n";
    }
}
