using System.IO.Compression;
using System.Net.Http.Json;
using System.Text.Json;
using Npgsql;
using Wellsedes.Core.Units;

namespace Wellsedes.Server.Tests;

/// <summary>
/// Databases as earlier versions left them, dumped with their change logs (every edit of that day, undone and redone,
/// by two people, with issued revisions). They open, go on, and say the figures they said then.
/// </summary>
public sealed class EarlierDatabaseTests(Cluster cluster)
{
    private static string Dump(string name) => Path.Combine(Cluster.Root, "tests", "Server.Tests", "Dumps", name);

    private async Task<House> RestoreAsync(string dump)
    {
        var database = cluster.NoDatabase();
        var name = new NpgsqlConnectionStringBuilder(database).Database!;
        await using (var server = new NpgsqlConnection(cluster.Server))
        {
            await server.OpenAsync();
            await using var create = new NpgsqlCommand($"create database \"{name}\"", server);
            await create.ExecuteNonQueryAsync();
        }
        await using var zipped = new GZipStream(File.OpenRead(Dump(dump + ".sql.gz")), CompressionMode.Decompress);
        var sql = await new StreamReader(zipped).ReadToEndAsync();
        await using (var connection = new NpgsqlConnection(database))
        {
            await connection.OpenAsync();
            await using var restore = new NpgsqlCommand(sql, connection);
            await restore.ExecuteNonQueryAsync();
        }
        return new House(database);
    }

    [Fact]
    public async Task The_first_demo_opens_and_says_what_it_said()
    {
        await using var house = await RestoreAsync("2026-11-25-demo");
        using var said = JsonDocument.Parse(await File.ReadAllTextAsync(Dump("2026-11-25-demo.json")));
        var owner = await house.OwnerAsync();
        var projects = await owner.Client.GetFromJsonAsync<JsonElement>("/api/projects");
        var plans = projects[0].GetProperty("plans").EnumerateArray().ToArray();
        Assert.Equal(3, plans.Length);
        foreach (var plan in plans)
        {
            var then = said.RootElement.GetProperty(plan.GetProperty("title").GetString()!);
            var now = await owner.Client.GetFromJsonAsync<JsonElement>($"/api/plans/{plan.GetProperty("id").GetGuid()}");
            var tally = now.GetProperty("figures").GetProperty("tally");
            Assert.Equal(then.GetProperty("revision").GetInt64(), now.GetProperty("revision").GetInt64());
            Assert.Equal(then.GetProperty("entities").GetInt32(), now.GetProperty("entities").GetArrayLength());
            foreach (var figure in (string[])["seats", "tables"])
                Assert.Equal(then.GetProperty("tally").GetProperty(figure).GetDouble(), tally.GetProperty(figure).GetDouble(), 1e-6);
        }
    }

    /// <summary>What was issued when each revision had its files in columns is fetched as it was written then.</summary>
    [Fact]
    public async Task What_was_issued_then_is_fetched_as_it_was()
    {
        await using var house = await RestoreAsync("2026-11-25-demo");
        var owner = await house.OwnerAsync();
        var projects = await owner.Client.GetFromJsonAsync<JsonElement>("/api/projects");
        var fetched = 0;
        foreach (var plan in projects[0].GetProperty("plans").EnumerateArray().Select(plan => plan.GetProperty("id").GetGuid()))
        foreach (var issued in (await owner.Client.GetFromJsonAsync<JsonElement>($"/api/plans/{plan}/register")).EnumerateArray())
        foreach (var (ending, begins) in ((string, string)[])[("pdf", "%PDF"), ("svg", "<"), ("csv", ""), ("json", "{")])
        {
            var file = await owner.Client.GetByteArrayAsync(
                $"/api/plans/{plan}/sheets/{issued.GetProperty("sheetId")}/revisions/{issued.GetProperty("letter")}.{ending}"
            );
            Assert.NotEmpty(file);
            Assert.StartsWith(begins, System.Text.Encoding.UTF8.GetString(file).TrimStart('\uFEFF'), StringComparison.Ordinal);
            fetched++;
        }
        Assert.Equal(16, fetched);
    }

    [Fact]
    public async Task Everything_of_the_first_demo_can_be_taken_back_and_brought_again()
    {
        await using var house = await RestoreAsync("2026-11-25-demo");
        var owner = await house.OwnerAsync();
        var projects = await owner.Client.GetFromJsonAsync<JsonElement>("/api/projects");
        var shed = projects[0].GetProperty("plans").EnumerateArray().Single(p => p.GetProperty("title").GetString() == "Boat shed");
        var id = shed.GetProperty("id").GetGuid();
        var before = await owner.Client.GetStringAsync($"/api/plans/{id}/file");
        var undone = 0;
        while ((await owner.Client.PostAsync($"/api/plans/{id}/undo", null)).IsSuccessStatusCode)
            undone++;
        Assert.True(undone > 30, $"{undone}");
        for (var i = 0; i < undone; i++)
            (await owner.Client.PostAsync($"/api/plans/{id}/redo", null)).EnsureSuccessStatusCode();
        Assert.Equal(before, await owner.Client.GetStringAsync($"/api/plans/{id}/file"));
        Assert.Equal(
            UnitSystem.FeetInches.ToString(),
            JsonDocument
                .Parse(before)
                .RootElement.GetProperty("entities")
                .EnumerateArray()
                .Single(e => e.GetProperty("type").GetString() == "plan")
                .GetProperty("units")
                .GetString()
        );
    }

    [Fact]
    public async Task Its_issued_revisions_come_out_of_the_register_and_its_plans_export()
    {
        await using var house = await RestoreAsync("2026-11-25-demo");
        var owner = await house.OwnerAsync();
        var projects = await owner.Client.GetFromJsonAsync<JsonElement>("/api/projects");
        var project = projects[0].GetProperty("id").GetGuid();
        var issued = 0;
        foreach (var plan in projects[0].GetProperty("plans").EnumerateArray())
        {
            var id = plan.GetProperty("id").GetGuid();
            foreach (var revision in (await owner.Client.GetFromJsonAsync<JsonElement>($"/api/plans/{id}/register")).EnumerateArray())
            {
                issued++;
                var at =
                    $"/api/plans/{id}/sheets/{revision.GetProperty("sheetId").GetString()}/revisions/{revision.GetProperty("letter").GetString()}";
                foreach (var kind in (string[])["pdf", "svg", "csv", "json"])
                    Assert.NotEmpty(await owner.Client.GetByteArrayAsync($"{at}.{kind}"));
                using var frozen = new ByteArrayContent(await owner.Client.GetByteArrayAsync($"{at}.json"));
                (await owner.Client.PostAsync($"/api/projects/{project}/plan-files", frozen)).EnsureSuccessStatusCode();
            }
            Assert.NotEmpty(await owner.Client.GetByteArrayAsync($"/api/plans/{id}/sheets/sheet-a/draft.pdf"));
            using var file = new ByteArrayContent(await owner.Client.GetByteArrayAsync($"/api/plans/{id}/file"));
            (await owner.Client.PostAsync($"/api/projects/{project}/plan-files", file)).EnsureSuccessStatusCode();
        }
        Assert.Equal(4, issued);
    }
}
