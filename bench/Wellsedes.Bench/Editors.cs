using System.Diagnostics;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.SignalR.Client;
using Wellsedes.Core.Editing;

namespace Wellsedes.Bench;

/// <summary>Many editors at once on a plan with many things: each has it open, and sends the next edit when the last is answered.</summary>
internal static class Editors
{
    public static async Task RunAsync(Uri address, int count, int seconds, int process, Action<string, List<double>> print)
    {
        using var owner = new Person(address);
        await owner.SignInAsync();
        const int tables = 500;
        var plan = await owner.AddAsync(Halls.Banquet(tables));
        var links = new List<HubConnection>();
        for (var i = 0; i < count; i++)
            links.Add(await owner.FollowAsync(plan));
        var heard = new long[count];
        for (var i = 0; i < count; i++)
        {
            var me = i;
            links[i].On<JsonObject>("changed", change => heard[me] = (long)change["revision"]!);
        }
        var memory = new List<long>();
        var times = new List<double>();
        // A while to get warm; then measured twice, so that growing memory shows.
        await RoundAsync(5, []);
        for (var half = 0; half < 2; half++)
        {
            await RoundAsync(seconds / 2, times);
            memory.Add(Process.GetProcessById(process).WorkingSet64 >> 20);
        }
        var revision = (long)(await owner.OpenAsync(plan))["revision"]!;
        for (var tries = 0; heard.Any(last => last < revision) && tries < 100; tries++)
            await Task.Delay(100);
        print($"{count} editors at once, {tables} tables of ten, an edit answered", times);
        Console.WriteLine(
            $"its memory | {memory[0]} MB after half of it, {memory[1]} MB after all | {heard.Count(last => last >= revision)} of {count} heard the last of {revision} changes"
        );
        foreach (var link in links)
            await link.DisposeAsync();

        async Task RoundAsync(int length, List<double> into)
        {
            var until = Stopwatch.StartNew();
            await Task.WhenAll(
                Enumerable
                    .Range(0, count)
                    .Select(async i =>
                    {
                        var random = new Random(i);
                        while (until.Elapsed.TotalSeconds < length)
                        {
                            var from = Stopwatch.GetTimestamp();
                            var edit = new MoveItems([$"table-{1 + i * 9 % tables}"], random.Next(-20, 21), random.Next(-20, 21));
                            (await owner.EditAsync(plan, edit, Guid.NewGuid())).EnsureSuccessStatusCode();
                            lock (into)
                                into.Add(Stopwatch.GetElapsedTime(from).TotalMilliseconds);
                            // A hand needs a moment for the next.
                            await Task.Delay(random.Next(200, 1000));
                        }
                    })
            );
        }
    }
}
