using System.Net;
using System.Net.Http.Json;
using SkiaSharp;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.PlanFile;
using Wellsedes.Server.Features.Catalogue;
using Wellsedes.Server.Features.Library;
using Wellsedes.Server.Features.Plans;

namespace Wellsedes.Server.Tests;

/// <summary>Own items of somebody's own, for all of their projects; pictures of things cut out; the newest brought into every plan.</summary>
public sealed class OwnLibraryTests(Cluster cluster) : HouseTests(cluster)
{
    private static CatalogueItem Own(string key, string name) =>
        CatalogueList.Shipped.Find("sofa-two")! with
        {
            Key = key,
            Name = name,
            LikeKey = "sofa-two",
            Counted = "",
        };

    private static Task<HttpResponseMessage> PutAsync(Visitor visitor, string where, CatalogueItem item) =>
        visitor.Client.PutAsJsonAsync($"/api/{where}/{item.Key}", item, PlanJson.Options);

    private static async Task<string[]> NamesAsync(Visitor visitor) =>
        [.. (await visitor.Client.GetFromJsonAsync<CatalogueItem[]>("/api/my-library", PlanJson.Options))!.Select(item => item.Name)];

    private static byte[] Product(int columns = 200)
    {
        using var surface = SKSurface.Create(new SKImageInfo(columns, 120));
        surface.Canvas.Clear(SKColors.White);
        using var paint = new SKPaint { Color = SKColors.Teal };
        surface.Canvas.DrawRect(40, 30, columns - 80, 60, paint);
        using var data = surface.Snapshot().Encode(SKEncodedImageFormat.Png, 90);
        return data.ToArray();
    }

    [Fact]
    public async Task What_somebody_keeps_is_found_in_every_project_and_seen_by_nobody_else()
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        (await PutAsync(owner, "my-library", Own("heron", "Heron sofa"))).EnsureSuccessStatusCode();
        Assert.Equal(["Heron sofa"], await NamesAsync(owner));
        var found = await owner.Client.GetFromJsonAsync<string[]>($"/api/plans/{plan}/catalogue?text=heron");
        Assert.Equal(["heron"], found!);
        var forms = await owner.Client.GetFromJsonAsync<Dictionary<string, FormView>>(
            $"/api/plans/{plan}/forms?key=heron",
            Visitor.Answers
        );
        Assert.True(forms!.ContainsKey("heron"));
        // Changed under its key it is one still; somebody else on the same plan finds nothing.
        (await PutAsync(owner, "my-library", Own("heron", "Grey heron sofa"))).EnsureSuccessStatusCode();
        Assert.Equal(["Grey heron sofa"], await NamesAsync(owner));
        Assert.Equal(["heron"], (await owner.Client.GetFromJsonAsync<string[]>($"/api/plans/{plan}/catalogue?text=grey"))!);
        var other = await House.EditorAsync();
        Assert.Empty(await NamesAsync(other));
        Assert.Empty((await other.Client.GetFromJsonAsync<string[]>($"/api/plans/{plan}/catalogue?text=heron"))!);
        // Out as a file, and in for the other.
        var file = await owner.Client.GetByteArrayAsync("/api/my-library-file");
        (await other.Client.PostAsync("/api/my-library-file", new ByteArrayContent(file))).EnsureSuccessStatusCode();
        Assert.Equal(["Grey heron sofa"], await NamesAsync(other));
        (await owner.Client.DeleteAsync("/api/my-library/heron")).EnsureSuccessStatusCode();
        Assert.Empty(await NamesAsync(owner));
        Assert.Equal(["Grey heron sofa"], await NamesAsync(other));
    }

    [Fact]
    public async Task What_cannot_be_kept_is_refused_and_nothing_is_half_kept()
    {
        var owner = await House.OwnerAsync();
        var refused = await PutAsync(owner, "my-library", Own("heron", "Heron") with { Price = -3 });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, refused.StatusCode);
        Assert.Contains("price", await refused.Content.ReadAsStringAsync());
        var file = OwnItemFile.Write([Own("a", "A sofa"), Own("b", "B sofa") with { Outlets = -1 }]);
        var sent = await owner.Client.PostAsync("/api/my-library-file", new ByteArrayContent(file));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, sent.StatusCode);
        Assert.Empty(await NamesAsync(owner));
        var stranger = new Visitor(House.CreateClient());
        Assert.Equal(HttpStatusCode.Unauthorized, (await stranger.Client.GetAsync("/api/my-library")).StatusCode);
        Assert.Equal(HttpStatusCode.Unauthorized, (await stranger.Client.GetAsync("/api/my-library-file")).StatusCode);
    }

    [Fact]
    public async Task The_newest_of_a_project_comes_into_every_plan_that_uses_it_when_asked()
    {
        var owner = await House.OwnerAsync();
        var (project, plan) = (await owner.DemoProjectAsync(), await owner.DemoPlanAsync());
        (await PutAsync(owner, $"projects/{project}/library", Own("heron", "Heron sofa"))).EnsureSuccessStatusCode();
        await owner.DoAsync(plan, new PutOwnItem(new OwnItem("heron", Own("heron", "Heron sofa"))));
        var before = await owner.OpenAsync(plan);
        (
            await PutAsync(owner, $"projects/{project}/library", Own("heron", "Heron sofa") with { Size = new ItemSize(1700, 850, 780) })
        ).EnsureSuccessStatusCode();
        async Task<RenewedPlan[]> RenewAsync() =>
            (
                await (
                    await owner.Client.PostAsync($"/api/projects/{project}/library/heron/renewal", null)
                ).Content.ReadFromJsonAsync<RenewedPlan[]>(Visitor.Answers)
            )!;
        var renewed = (await RenewAsync()).Single();
        Assert.Equal((plan, true, ""), (renewed.PlanId, renewed.Changed, renewed.Problem));
        var after = await owner.OpenAsync(plan);
        Assert.Equal(before.Revision + 1, after.Revision);
        Assert.Equal(1700, after.Entities.OfType<OwnItem>().Single(own => own.Id == "heron").Item.Size.Width);
        // Asked again there is nothing to do.
        Assert.False((await RenewAsync()).Single().Changed);
        var none = await owner.Client.PostAsync($"/api/projects/{project}/library/nobody/renewal", null);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, none.StatusCode);
        var viewer = await House.ViewerAsync();
        var forbidden = await viewer.Client.PostAsync($"/api/projects/{project}/library/heron/renewal", null);
        Assert.Equal(HttpStatusCode.Forbidden, forbidden.StatusCode);
    }

    [Fact]
    public async Task A_product_is_cut_out_of_its_picture_kept_and_placed()
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        var answer = await owner.Client.PostAsJsonAsync(
            $"/api/plans/{plan}/cutouts",
            new CutoutQuestion(Product(), true, []),
            PlanJson.Options
        );
        var cut = (await answer.Content.ReadFromJsonAsync<CutoutRead>(Visitor.Answers))!;
        Assert.Equal(0.5, cut.DepthShare, 2);
        var rug = Own("rug-own", "Teal rug") with
        {
            Kind = CatalogueKind.Floors,
            Maker = FormMaker.Outline,
            Size = new ItemSize(2000, 1000, 10),
            Parts = 0,
            Seats = default,
            MostSeats = 0,
            LikeKey = "",
            Shape = cut.Shape,
        };
        await owner.DoAsync(plan, new PutOwnItem(new OwnItem("rug-own", rug)));
        await owner.DoAsync(plan, new PlaceItem("rug-1", PlanStart.SchemeId, PlanStart.LevelId, "rug-own", 9000, 6000));
        var view = await owner.OpenAsync(plan);
        var form = view.Forms[view.Items.Single(item => item.Id == "rug-1").Form];
        Assert.Equal((-1000.0, 500.0), (form.Picture!.Corner.X, form.Picture.Corner.Y));
        Assert.True(form.Flat);
        // A picture that is none is refused at the door, and so is a file that is none.
        var spoilt = rug with
        {
            Shape = cut.Shape with { Picture = new OwnPicture(cut.Shape.Picture!.Data[..100]) },
        };
        var edit = new EditRequest(view.Revision, new PutOwnItem(new OwnItem("rug-own", spoilt)));
        var refused = await owner.Client.PostAsJsonAsync($"/api/plans/{plan}/edits", edit, PlanJson.Options);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, refused.StatusCode);
        Assert.Contains("picture", await refused.Content.ReadAsStringAsync());
        var none = await owner.Client.PostAsJsonAsync(
            $"/api/plans/{plan}/cutouts",
            new CutoutQuestion("GIF"u8.ToArray(), true, []),
            PlanJson.Options
        );
        Assert.Contains("no PNG", await none.Content.ReadAsStringAsync());
        var small = await owner.Client.PostAsync($"/api/plans/{plan}/small-pictures", new ByteArrayContent(Product(900)));
        var picture = (await small.Content.ReadFromJsonAsync<SmallPicture>(Visitor.Answers))!;
        Assert.Equal((512, 68), (picture.Columns, picture.Rows));
        var viewer = await House.ViewerAsync();
        Assert.Equal(
            HttpStatusCode.Forbidden,
            (await viewer.Client.PostAsync($"/api/plans/{plan}/small-pictures", new ByteArrayContent(Product()))).StatusCode
        );
    }
}
