using System.Text;

namespace Wellsedes.Formats.Tests;

/// <summary>Catches what is printed in the course of something, whatever is printed elsewhere meanwhile.</summary>
internal static class Spoken
{
    private static readonly Lazy<(Ear Out, Ear Error)> Ears = new(() =>
    {
        var (printed, error) = (new Ear(Console.Out), new Ear(Console.Error));
        Console.SetOut(printed);
        Console.SetError(error);
        return (printed, error);
    });

    /// <summary>What something answers, and what it prints.</summary>
    public static (T Answer, string Out, string Error) Of<T>(Func<T> act)
    {
        var (printed, error) = Ears.Value;
        using var heard = printed.Listen();
        using var wrong = error.Listen();
        var answer = act();
        return (answer, heard.ToString(), wrong.ToString());
    }

    private sealed class Ear(TextWriter elsewhere) : TextWriter
    {
        private readonly AsyncLocal<StringWriter?> here = new();

        public override Encoding Encoding => elsewhere.Encoding;

        public StringWriter Listen() => here.Value = new StringWriter();

        public override void Write(char value) => (here.Value ?? elsewhere).Write(value);

        public override void Write(string? value) => (here.Value ?? elsewhere).Write(value);

        public override void WriteLine(string? value) => (here.Value ?? elsewhere).WriteLine(value);
    }
}
