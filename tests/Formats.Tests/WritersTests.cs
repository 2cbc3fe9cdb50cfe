using System.Text;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.Writers;

namespace Wellsedes.Formats.Tests;

/// <summary>Formats and kinds of sheet are tables: what a row says is what is written.</summary>
public sealed class WritersTests
{
    /// <summary>A format that only this test knows: all of it is here.</summary>
    private static readonly Writer Words = new(
        "words",
        "txt",
        "text/plain",
        "the title",
        "all else",
        IsKept: true,
        document => !document.Pages.IsEmpty,
        (document, told) =>
        {
            told.Tell(0.5);
            return Encoding.UTF8.GetBytes(document.Title);
        }
    );

    private static SheetRequest Request()
    {
        var state = Demo.State();
        return new SheetRequest(state, state.Sheet(), "Project", "", "Draft", new DateOnly(2026, 12, 2));
    }

    [Fact]
    public void Every_format_says_what_it_is()
    {
        foreach (var writer in Writers.Writers.Shipped.All)
        {
            Assert.Matches("^[a-z0-9]{2,5}$", writer.Ending);
            Assert.Matches("^[a-z]+/[a-z0-9.+-]+$", writer.MediaType);
            Assert.NotEmpty(writer.Name);
            Assert.NotEmpty(writer.Carries);
        }
    }

    [Theory]
    [InlineData("plan", "csv pdf png svg", "csv pdf svg")]
    [InlineData("report", "csv json pdf", "pdf")]
    public void A_kind_of_sheet_is_written_under_the_endings_that_it_has_parts_for(string kind, string endings, string kept)
    {
        var document = SheetKinds.Shipped.Compose(kind, Request()).Document;
        Assert.Equal(endings, string.Join(' ', Writers.Writers.Shipped.EndingsOf(document).Order()));
        Assert.Equal(kept, string.Join(' ', Writers.Writers.Shipped.Kept(document).Select(file => file.Ending).Order()));
        foreach (var ending in endings.Split(' '))
            Assert.NotEmpty(Writers.Writers.Shipped.Write(document, ending)!.Content);
        Assert.Null(Writers.Writers.Shipped.Write(document, "exe"));
    }

    [Fact]
    public void An_invented_format_and_an_invented_kind_of_sheet_go_to_files_beside_the_others()
    {
        var kinds = SheetKinds.Shipped.With(
            new SheetKind(
                "label",
                "A label",
                request => new ComposedSheet(
                    SheetKinds.Shipped.Compose("plan", request).Document with
                    {
                        Title = "Label of " + request.Project,
                        Schedule = null,
                    },
                    null
                )
            )
        );
        var writers = Writers.Writers.Shipped.With(Words);
        var document = kinds.Compose("label", Request()).Document;
        List<double> told = [];
        var file = writers.Write(document, "txt", told.Add)!;
        Assert.Equal(("text/plain", "Label of Project"), (file.MediaType, Encoding.UTF8.GetString(file.Content)));
        Assert.Equal([0, 0.5, 1], told);
        Assert.Equal("pdf svg txt", string.Join(' ', writers.Kept(document).Select(one => one.Ending).Order()));
        Assert.Equal("pdf png svg txt", string.Join(' ', writers.EndingsOf(document).Order()));
        Assert.Contains("\"poster\"", Assert.Throws<ArgumentException>(() => kinds.Compose("poster", Request())).Message);
        using var over = new CancellationTokenSource();
        over.Cancel();
        Assert.Throws<OperationCanceledException>(() => writers.Write(document, "txt", null, over.Token));
    }
}
