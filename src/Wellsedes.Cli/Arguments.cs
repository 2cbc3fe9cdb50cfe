namespace Wellsedes.Cli;

/// <summary>One file (or what a command is about) and named options; anything else is refused by name.</summary>
internal sealed class Arguments
{
    private readonly Dictionary<string, string> options = [];

    public string File { get; }

    public Arguments(
        string[] args,
        string[] valued,
        string[] flags,
        string missing = "Name a plan file, for example demo/orchard-supper.wellsedes.json."
    )
    {
        string? file = null;
        for (var i = 0; i < args.Length; i++)
            if (valued.Contains(args[i]))
                options[args[i]] = i + 1 < args.Length ? args[++i] : throw new CommandException($"{args[i]} needs a value.");
            else if (flags.Contains(args[i]))
                options[args[i]] = "";
            else if (args[i].StartsWith('-') || file is not null)
                throw new CommandException($"\"{args[i]}\" is not understood.");
            else
                file = args[i];
        File = file ?? (options.ContainsKey("--search") ? "" : throw new CommandException(missing));
    }

    public bool Has(string name) => options.ContainsKey(name);

    public string? Value(string name) => options.GetValueOrDefault(name);
}
